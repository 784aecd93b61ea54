<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Field;

final readonly class MouldMaterial
{
    public function __construct(
        #[Field('', 'W/mK', min: 0.005, max: 1000)] public float $k,
        #[Field('', 'kg/m3', min: 5, max: 30000)] public float $rho,
        #[Field('', 'J/gK', min: 0.1, max: 20)] public float $cp,
    ) {
    }
}
