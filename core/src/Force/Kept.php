<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class Kept
{
    public function __construct(
        #[Field('', 'cm3')] public float $shot_cm3,
        #[Field('', 'bar')] public float $specific_bar,
        #[Field('', 'cm3/s')] public float $flow_cm3_s,
        #[Field('of the screw', 'mm/s')] public float $surface_speed_mm_s,
    ) {
    }
}
