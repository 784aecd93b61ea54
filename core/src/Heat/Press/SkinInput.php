<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;

/** The plate on each face of the sheet; 3 mm of aluminium unless said otherwise. */
final readonly class SkinInput
{
    public function __construct(
        #[Field('', 'mm', min: 0.01, max: 200)] public float $thickness_mm = 3.0,
        #[Field('', 'W/mK', min: 0.005, max: 500)] public float $conductivity_w_mk = 200.0,
        #[Field('', 'kg/m3', min: 5, max: 25000)] public float $density_kg_m3 = 2700.0,
        #[Field('', 'J/gK', min: 0.1, max: 20)] public float $specific_heat_j_gk = 0.9,
    ) {
    }
}
