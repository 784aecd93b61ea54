<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;

final readonly class MouldSetup
{
    public function __construct(
        #[Field(
            'the material it is made of stands this at most',
            'bar',
            above: 0,
            max: 5000,
        )]
        public ?float $max_bar = null,
        #[Field('and this', '°C', min: 0, max: 600)] public ?float $max_c = null,
        #[Field(
            'needs a fine copy of its surface: the upper half of the mould\'s window',
        )]
        public bool $fine_finish = false,
        #[Field('bath that a closed bar mould cools in', '°C', min: 0, max: 100)] public float $bath_c = 15.0,
        #[Field('steel, aluminium, printed_resin or {k, rho, cp}')] public mixed $material = 'aluminium',
        #[Field('from cavity to outside', 'mm', min: 0.01, max: 500)] public float $thickness_mm = 15.0,
        #[Field('outer area over that of the cavity', '', min: 0.1, max: 100)] public float $area_ratio = 4.0,
        #[Field('closed, it cools in water')] public bool $in_water = false,
        #[Field('held at its temperature by a heater or by water through it')] public bool $held = false,
    ) {
    }
}
