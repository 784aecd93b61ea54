<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Material\MaterialInput;

final readonly class BarrelSoakInput
{
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('', 'mm', min: 1, max: 500)] public float $barrel_diameter_mm,
        #[Field('', '°C', min: -50, max: 600)] public float $wall_c,
        #[Field('room, or preheated strips', '°C', min: -50, max: 600)] public float $feed_c = 20.0,
        #[Field(
            'on the axis; the polymer\'s lowest melt temperature unless given',
            '°C',
            min: -50,
            max: 600,
        )]
        public ?float $target_c = null,
        #[Field('loose 0.55, tamped 0.15', '', min: 0, max: 0.95)] public float $porosity = 0.55,
        #[Field('charge to wall', 'W/m2K', above: 0, max: 1e6)] public float $contact_w_m2k = 500.0,
        #[Field('', '', above: 0, max: 1)] public float $fraction_refilled = 1.0,
    ) {
    }
}
