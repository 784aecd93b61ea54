<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;

final readonly class AtmosphereInput
{
    public function __construct(
        #[Field('geopotential height', 'm', min: -500, max: 11000)] public float $altitude_m,
    ) {
    }
}
