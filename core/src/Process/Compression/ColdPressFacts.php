<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;

/** What is known of a cold press. */
final readonly class ColdPressFacts
{
    public function __construct(
        public string $name = 'the cold press',
        #[Field('heat capacity of each platen', 'kJ/K', above: 0, max: 100000)] public ?float $platen_kj_k = null,
        #[Field(
            'heat it gets rid of for each kelvin over the coolant',
            'W/K',
            min: 0,
            max: 100000,
        )]
        public ?float $cooling_w_k = null,
        #[Field('', '°C', min: -50, max: 200)] public ?float $coolant_c = null,
        #[Field('its platens as a sheet comes in', '°C', min: -50, max: 300)] public ?float $start_c = null,
        #[Field('', 'mm', above: 0, max: 20000)] public ?float $bed_length_mm = null,
        #[Field('', 'mm', above: 0, max: 20000)] public ?float $bed_width_mm = null,
    ) {
    }
}
