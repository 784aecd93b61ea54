<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;

final readonly class Job
{
    public function __construct(
        public string $id,
        public string $polymer,
        #[Field('', '°C', min: 0, max: 600)] public float $set_c,
        #[Field('0 black, 1 white or natural', '', min: 0, max: 1)] public float $lightness,
        #[Field('', 'min', min: 0, max: 1e6)] public float $minutes = 0.0,
        public ?string $mould = null,
    ) {
    }
}
