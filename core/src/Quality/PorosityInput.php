<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

final readonly class PorosityInput
{
    public function __construct(
        #[Field('of the sheet', 'g', above: 0, max: 1e8)] public float $mass_g,
        #[Field('', 'mm', above: 0, max: 20000)] public float $length_mm,
        #[Field('', 'mm', above: 0, max: 20000)] public float $width_mm,
        #[Field('', 'mm', min: 0.01, max: 500)] public float $mean_thickness_mm,
        #[Field('of the solid', 'g/cm3', min: 0.005, max: 25)] public float $density_g_cm3,
    ) {
    }
}
