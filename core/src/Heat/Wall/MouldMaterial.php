<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Field;

final readonly class MouldMaterial
{
    public function __construct(
        #[Field('', 'W/mK', above: 0, max: 1000)] public float $k,
        #[Field('', 'kg/m3', above: 0, max: 30000)] public float $rho,
        #[Field('', 'J/gK', above: 0, max: 20)] public float $cp,
    ) {
    }
}
