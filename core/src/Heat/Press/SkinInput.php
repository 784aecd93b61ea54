<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;

/** The plate on each face of the sheet; 3 mm of aluminium unless said otherwise. */
final readonly class SkinInput
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 200)] public float $thickness_mm = 3.0,
        #[Field('', 'W/mK', above: 0, max: 500)] public float $conductivity_w_mk = 200.0,
        #[Field('', 'kg/m3', above: 0, max: 25000)] public float $density_kg_m3 = 2700.0,
        #[Field('', 'J/gK', above: 0, max: 20)] public float $specific_heat_j_gk = 0.9,
    ) {
    }
}
