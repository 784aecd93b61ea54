<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BarrelSoakResult extends Result
{
    public function __construct(
        #[Field('', 'min')] public readonly float $soak_min_full,
        #[Field('wait before the next shot', 'min')] public readonly float $soak_min_refill,
        #[Field('', 's')] public readonly float $min_cycle_s_continuous,
        #[Field('what the axis gets to', '°C')] public readonly float $target_c,
    ) {
    }
}
