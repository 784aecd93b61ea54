<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class ScrewMachine
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 1000)] public float $screw_diameter_mm,
        #[Field('specific over hydraulic pressure', '', above: 0, max: 1000)] public float $intensification,
        #[Field('', 'bar', above: 0, max: 10000)] public float $max_specific_bar,
        #[Field('', 'mm', above: 0, max: 5000)] public float $max_stroke_mm,
        #[Field('', '1/min', above: 0, max: 10000)] public float $max_rpm,
        #[Field('', 'mm/s', above: 0, max: 5000)] public float $max_speed_mm_s,
    ) {
    }
}
