<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class SettingsFacts
{
    public function __construct(
        #[Field(
            'hottest set-point of the run; of a former the mean of the sheet as the heater leaves',
            '°C',
            min: -50,
            max: 1000,
        )]
        public float $set_c,
        #[Field('surface of a former\'s heater', '°C', min: -50, max: 1500)] public ?float $heater_c = null,
        #[Field('of the sheet to be formed', 'mm', min: 0.01, max: 50)] public ?float $thickness_mm = null,
        #[Field('emissivity times view of the heater', '', above: 0, max: 1)] public float $exchange = 0.7,
        #[Field('heated faces', '', min: 1, max: 2)] public int $sides = 1,
        #[Field('how long the melt stays hot', 'min', min: 0, max: 100000)] public ?float $minutes_hot = null,
        #[Field(
            'heaviest thing to be lifted: plate, mould, bar',
            'kg',
            min: 0,
            max: 100000,
        )]
        public ?float $load_kg = null,
        #[Field('how far the hot sheet sags', 'mm', min: 0, max: 10000)] public ?float $sag_mm = null,
        #[Field('from the sheet to what is under it', 'mm', min: 0, max: 10000)] public ?float $clearance_mm = null,
    ) {
    }
}
