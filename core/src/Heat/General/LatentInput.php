<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Field;

final readonly class LatentInput
{
    public function __construct(
        #[Field('heat of fusion', 'J/g', above: 0, max: 5000)] public float $heat_j_g,
        #[Field('end of melting', '°C', min: -200, max: 4000)] public float $liquidus_c,
        #[Field('width of the melting range', 'K', above: 0, max: 500)] public float $width_k = 15.0,
    ) {
    }
}
