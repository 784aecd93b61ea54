<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;

/** The numbers that can be set for a formed part; whoever says one says it here: product, recipe, person. */
final readonly class FormedSettings
{
    public function __construct(
        #[Field('of the part, at the sheet', 'mm', above: 0, max: 10000)] public ?float $length_mm = null,
        #[Field('of the part, at the sheet', 'mm', above: 0, max: 10000)] public ?float $width_mm = null,
        #[Field('of a round one, instead of its sides', 'mm', min: 1, max: 10000)]
        public ?float $base_diameter_mm = null,
        #[Field('of the part', 'mm', above: 0, max: 5000)] public ?float $depth_mm = null,
        #[Field('of its walls', '°', min: 0, below: 90)] public ?float $draft_deg = null,
        #[Field('of its corners', 'mm', above: 0, max: 1000)] public ?float $corner_radius_mm = null,
        #[Field('thickness', 'mm', min: 0.1, max: 50)] public ?float $sheet_mm = null,
        #[Field('of the sheet, on each side, for the clamp', 'mm', min: 0, max: 1000)] public ?float $margin_mm = null,
        #[Field('of the sheet as it is clamped', '°C', min: -20, max: 200)] public ?float $initial_c = null,
        #[Field('', '°C', min: -20, max: 300)] public ?float $mould_c = null,
        #[Field('of the room', '°C', min: -20, max: 60)] public ?float $ambient_c = null,
        #[Field('it may come off the mould', '°C', min: 0, max: 300)] public ?float $release_c = null,
        #[Field('from the heater\'s leaving to the vacuum', 's', min: 0, max: 600)] public ?float $transfer_s = null,
        #[Field('between two looks', 's', min: 1, max: 3600)] public ?float $look_s = null,
        #[Field('the heat that a look costs', 's', min: 0, max: 600)] public ?float $look_cost_s = null,
        #[Field('the product still takes', 'mm', above: 0, max: 50)] public ?float $least_wall_mm = null,
        #[Field('the shop\'s own heating for each millimetre of sheet', 's/mm', above: 0, max: 600)]
        public ?float $heat_s_per_mm = null,
        #[Field('what this heater takes over the physics', '', min: 0.1, max: 10)] public ?float $heat_factor = null,
        #[Field('what this mould takes over the physics', '', min: 0.1, max: 10)] public ?float $cool_factor = null,
        #[Field('parts of a run', '', min: 1, max: 100000)] public ?float $parts = null,
        #[Field('on one bed, formed of one sheet', '', min: 1, max: 100)] public ?float $parts_on_bed = null,
        #[Field('between two on one bed', 'mm', min: 0, max: 2000)] public ?float $spacing_mm = null,
    ) {
    }
}
