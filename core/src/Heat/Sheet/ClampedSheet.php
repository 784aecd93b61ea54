<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Material\MaterialInput;

/** A sheet in its frame and what it must become, whatever heats it. */
final readonly class ClampedSheet
{
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('', 'mm', min: 0.01, max: 50)] public float $thickness_mm,
        #[Field('', '°C', min: -50, max: 500)] public float $initial_c,
        #[Field('heated faces', '', min: 1, max: 2)] public int $sides,
        #[Field('', '°C', min: -50, max: 300)] public float $ambient_c,
        #[Field(
            'coldest it still forms; the polymer\'s unless given',
            '°C',
            min: -50,
            max: 600,
        )]
        public ?float $sheet_lower_c = null,
        #[Field('mean when ready', '°C', min: -50, max: 600)] public ?float $sheet_normal_c = null,
        #[Field('hottest it may get', '°C', min: -50, max: 600)] public ?float $sheet_upper_c = null,
        #[Field('to the air', 'W/m2K', min: 0, max: 1000)] public float $loss_w_m2k = 10.0,
        #[Field('heater gone, before vacuum', 's', min: 0, max: 600)] public float $transfer_s = 4.0,
        #[Field('add the temperatures through the thickness to the curve')] public bool $with_profile = false,
    ) {
    }
}
