<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BarrelSoakResult extends Result
{
    public function __construct(
        #[Field('', 'min')] public readonly float $soak_min_full,
        #[Field('', 'min')] public readonly float $soak_min_refill,
        #[Field('', 's')] public readonly float $min_cycle_s_continuous,
    ) {
    }
}
