<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;

final readonly class StartState
{
    public function __construct(
        public string $polymer,
        #[Field('', '°C', min: 0, max: 600)] public float $set_c,
        #[Field('', '', min: 0, max: 1)] public float $lightness,
        public ?string $mould = null,
    ) {
    }
}
