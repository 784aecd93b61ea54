<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class LeverResult extends Result
{
    public function __construct(
        #[Field('', 'kN')] public readonly float $plunger_force_kn,
        #[Field('', 'bar')] public readonly float $injection_bar,
    ) {
    }
}
