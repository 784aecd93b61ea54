<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

/** The numbers that can be set for a shot; whoever says one says it here: product, recipe, person. */
final readonly class ShotSettings
{
    public function __construct(
        #[Field('of one part', 'cm3', above: 0, max: 1e6)] public ?float $part_volume_cm3 = null,
        #[Field('parts in a shot', '', min: 1, max: 256)] public ?float $cavities = null,
        #[Field('sprue and runners of a shot', 'cm3', min: 0, max: 1e6)] public ?float $runner_volume_cm3 = null,
        #[Field('lost at nozzle and seat', '%', min: 0, max: 100)] public ?float $loss_pct = null,
        #[Field('the thickest wall of the part', 'mm', above: 0, max: 100)] public ?float $thickness_mm = null,
        #[Field('at the gate', 'mm', above: 0, max: 100)] public ?float $gate_mm = null,
        #[Field('from the gate to the last place to fill', 'mm', above: 0, max: 5000)]
        public ?float $flow_length_mm = null,
        #[Field('of all cavities, seen from the nozzle', 'cm2', above: 0, max: 1e5)]
        public ?float $projected_area_cm2 = null,
        #[Field('mean in the cavity', 'bar', above: 0, max: 3000)] public ?float $cavity_pressure_bar = null,
        #[Field('set-point of barrel and nozzle', '°C', min: 0, max: 500)] public ?float $melt_c = null,
        #[Field('as it is when the shot comes', '°C', min: -20, max: 250)] public ?float $mould_c = null,
        #[Field('middle of the wall when it is opened', '°C', min: 0, max: 400)] public ?float $eject_c = null,
        #[Field('of what is loaded', '°C', min: -20, max: 350)] public ?float $feed_c = null,
        #[Field('share of air in what is tamped', '', min: 0, max: 0.9)] public ?float $porosity = null,
        #[Field('time to fill the mould', 's', above: 0, max: 120)] public ?float $fill_s = null,
        #[Field('open, take out, clean, close', 's', min: 0, max: 3600)] public ?float $open_s = null,
        #[Field('shots of a run', '', min: 1, max: 100000)] public ?float $shots = null,
        #[Field('what this barrel takes over the physics', '', min: 0.1, max: 10)] public ?float $soak_factor = null,
        #[Field('what this mould takes over the physics', '', min: 0.1, max: 10)] public ?float $cool_factor = null,
        #[Field('of the mould behind the cavity', 'mm', above: 0, max: 500)] public ?float $mould_wall_mm = null,
        #[Field('this near to its mass a part is full', '%', above: 0, max: 50)]
        public ?float $mass_tolerance_pct = null,
    ) {
    }
}
