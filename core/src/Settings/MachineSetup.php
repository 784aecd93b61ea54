<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Heat\Press\HotPressInput;

/** What the machine is, as far as its settings depend on it. */
final readonly class MachineSetup
{
    public function __construct(
        #[Field('the shop\'s name for it')] public ?string $name = null,
        #[Field('it may not be set above this', '°C', min: 0, max: 600)] public ?float $max_c = null,
        #[Field('heated zones from feed to nozzle or die', '', min: 1, max: 12)] public int $zones = 3,
        #[Field('bore of the barrel; for the soak', 'mm', min: 1, max: 500)] public ?float $barrel_diameter_mm = null,
        #[Field(
            'surface of the heater; for the sheet\'s heating time',
            '°C',
            min: 50,
            max: 1500,
        )]
        public ?float $heater_c = null,
        #[Field('emissivity times view of the heater', '', above: 0, max: 1)] public float $exchange = 0.7,
        #[Field('heated faces of the sheet', '', min: 1, max: 2)] public int $sides = 1,
        #[Field('heater power and mass of the hot platens')] public ?HotPressInput $press = null,
        #[Field('of an injection machine: lever, motor, drum or screw')] public ?MachineKind $kind = null,
        #[Field(
            'pressure that it can give in the melt; see force.lever_injection',
            'bar',
            above: 0,
            max: 10000,
        )]
        public ?float $max_bar = null,
    ) {
    }
}
