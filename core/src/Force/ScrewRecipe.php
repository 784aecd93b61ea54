<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class ScrewRecipe
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 10000)] public float $stroke_mm,
        #[Field('injection', 'bar', min: 0, max: 10000)] public float $hydraulic_bar,
        #[Field('', 'bar', min: 0, max: 10000)] public float $hold_hydraulic_bar,
        #[Field('', 'bar', min: 0, max: 10000)] public float $back_hydraulic_bar,
        #[Field('', 'mm/s', above: 0, max: 10000)] public float $speed_mm_s,
        #[Field('', '1/min', above: 0, max: 100000)] public float $rpm,
        #[Field('', 'mm', min: 0, max: 10000)] public float $cushion_mm,
        #[Field('', 'mm', min: 0, max: 10000)] public float $changeover_mm,
    ) {
    }
}
