<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;

/** What each platen of a real cold press takes up and gets rid of. */
final readonly class ColdPressInput
{
    public function __construct(
        #[Field('heat capacity of each platen', 'kJ/K', above: 0, max: 100000)] public float $platen_kj_k,
        #[Field(
            'heat it gets rid of for each kelvin over the coolant',
            'W/K',
            min: 0,
            max: 100000,
        )]
        public float $cooling_w_k = 10.0,
        #[Field('coolant or room', '°C', min: -50, max: 200)] public float $coolant_c = 20.0,
    ) {
    }
}
