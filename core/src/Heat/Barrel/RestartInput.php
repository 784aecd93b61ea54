<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Material\MaterialInput;

final readonly class RestartInput
{
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('', 'mm', min: 1, max: 500)] public float $barrel_diameter_mm,
        #[Field('it is set to', '°C', min: -50, max: 600)] public float $wall_c,
        #[Field('without heat', 'min', min: 0, max: 100000)] public float $off_min,
        #[Field(
            'what it reads when heat is back; without it the barrel is taken to have cooled as it does',
            '°C',
            min: -50,
            max: 600,
        )]
        public ?float $read_c = null,
        #[Field('a screw keeps its melt in a channel, a plunger in the whole bore')] public bool $screw = false,
        #[Field('', '°C', min: -50, max: 60)] public float $room_c = 20.0,
        #[Field('it heats up by', 'K/min', above: 0, max: 200)] public float $heat_k_min = 6.0,
        #[Field('it cools by, at its set-point', 'K/min', above: 0, max: 200)] public float $cool_k_min = 3.0,
        #[Field('what this machine takes over the physics', '', min: 0.05, max: 20)] public float $soak_factor = 1.0,
    ) {
    }
}
