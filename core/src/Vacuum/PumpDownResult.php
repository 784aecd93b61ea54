<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PumpDownResult extends Result
{
    public function __construct(
        #[Field('', 's')] public readonly float $seconds,
    ) {
    }
}
