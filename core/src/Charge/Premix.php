<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class Premix
{
    public function __construct(
        public string $component,
        public string $carrier,
        #[Field('weigh this', 'g')] public float $component_g,
        #[Field('into this', 'g')] public float $carrier_g,
        #[Field('makes this', 'g')] public float $premix_g,
        #[Field('take this of it', 'g')] public float $use_g,
        #[Field('and this of the carrier', 'g')] public float $carrier_left_g,
    ) {
    }
}
