<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Process\Settles;

/** What is known of an injection mould: what it makes of a shot, and what it wants of a machine. Unknown is a value. */
final readonly class MouldFacts implements Settles
{
    public function __construct(
        public string $name = 'the mould',
        #[Field('what it is made of, or where it cools')] public ?MouldMake $make = null,
        #[Field('parts in a shot', '', min: 1, max: 256)] public ?int $cavities = null,
        #[Field('sprue and runners of a shot', 'cm3', min: 0, max: 1e6)] public ?float $runner_volume_cm3 = null,
        #[Field('at the gate', 'mm', above: 0, max: 100)] public ?float $gate_mm = null,
        #[Field('from the gate to the last place to fill', 'mm', above: 0, max: 5000)]
        public ?float $flow_length_mm = null,
        #[Field('of all cavities, seen from the nozzle', 'cm2', above: 0, max: 1e5)]
        public ?float $projected_area_cm2 = null,
        #[Field('of the mould behind the cavity', 'mm', above: 0, max: 500)] public ?float $mould_wall_mm = null,
        #[Field('what it takes over the physics of cooling', '', min: 0.1, max: 10)] public ?float $cool_factor = null,
        #[Field('of its plates, across', 'mm', above: 0, max: 5000)] public ?float $width_mm = null,
        #[Field('of its plates, upright', 'mm', above: 0, max: 5000)] public ?float $height_mm = null,
        #[Field('closed, from clamping face to clamping face', 'mm', above: 0, max: 5000)]
        public ?float $tool_height_mm = null,
        #[Field('it must open so far to let the part out', 'mm', above: 0, max: 5000)] public ?float $opens_mm = null,
        #[Field('its ejector is pushed so far', 'mm', min: 0, max: 1000)] public ?float $ejection_mm = null,
        #[Field('of its hot runner', '', min: 0, max: 100)] public ?int $hot_runner_zones = null,
        #[Field('of water, each with an in and an out', '', min: 0, max: 50)] public ?int $circuits = null,
        #[Field('of its own heaters', 'kW', min: 0, max: 1000)] public ?float $heater_kw = null,
        #[Field('', 'kg', above: 0, max: 20000)] public ?float $mass_kg = null,
        #[Field('of a printed or resin insert, in compression, warm', 'MPa', above: 0, max: 2000)]
        public ?float $allowable_mpa = null,
        #[Field('face of the insert that carries the clamp', 'cm2', above: 0, max: 1e6)]
        public ?float $land_area_cm2 = null,
        #[Field('shots that it stands', '', min: 1, max: 1e7)] public ?float $life_shots = null,
        #[Field('shots that it has made, counted by the shop', '', min: 0, max: 1e9)] public ?float $made = null,
    ) {
    }

    public function calledAs(): string
    {
        return $this->name;
    }

    /** What it settles of a shot. */
    public function settings(): ShotSettings
    {
        return new ShotSettings(
            cavities: $this->cavities,
            runner_volume_cm3: $this->runner_volume_cm3,
            gate_mm: $this->gate_mm,
            flow_length_mm: $this->flow_length_mm,
            projected_area_cm2: $this->projected_area_cm2,
            cool_factor: $this->cool_factor,
            mould_wall_mm: $this->mould_wall_mm,
        );
    }
}
