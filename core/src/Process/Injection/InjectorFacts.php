<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Process\SetMarks;

/** What is known of an injector: a plunger by lever, drum or motor, or a small screw. Unknown is a value. */
final readonly class InjectorFacts implements Checked
{
    public function __construct(
        public string $name = 'the injector',
        #[Field('bore of a plunger\'s barrel', 'mm', above: 0, max: 1000)] public ?float $barrel_diameter_mm = null,
        #[Field('heated length', 'mm', above: 0, max: 10000)] public ?float $barrel_length_mm = null,
        #[Field('', 'mm', above: 0, max: 1000)] public ?float $plunger_diameter_mm = null,
        #[Field('', 'N', above: 0, max: 10000)] public ?float $hand_force_n = null,
        #[Field('', 'mm', above: 0, max: 10000)] public ?float $lever_long_mm = null,
        #[Field('', 'mm', above: 0, max: 10000)] public ?float $lever_short_mm = null,
        #[Field('of the motor at the drum', 'Nm', above: 0, max: 1e6)] public ?float $torque_nm = null,
        #[Field('', 'mm', above: 0, max: 10000)] public ?float $drum_radius_mm = null,
        #[Field('of the gears between', '', above: 0, max: 10000)] public float $ratio = 1.0,
        #[Field('', 'mm', above: 0, max: 1000)] public ?float $screw_diameter_mm = null,
        #[Field('', 'mm', above: 0, max: 5000)] public ?float $max_stroke_mm = null,
        #[Field('on the melt', 'bar', above: 0, max: 5000)] public ?float $max_specific_bar = null,
        #[Field('the screw moves forward at most', 'mm/s', above: 0, max: 5000)] public ?float $max_speed_mm_s = null,
        #[Field('that a screw makes ready', 'cm3/min', above: 0, max: 1e6)] public ?float $throughput_cm3_min = null,
        #[Field('holds the mould shut', 'kN', above: 0, max: 1e6)] public ?float $clamp_kn = null,
        #[Field('where bolts hold it', '', min: 1, max: 100)] public ?int $bolts = null,
        #[Field('of each bolt', 'kN', above: 0, max: 10000)] public ?float $bolt_proof_kn = null,
        #[Field('it may be set to at most', '°C', min: 0, max: 600)] public ?float $max_c = null,
        #[Field('of a screw\'s barrel', 'cm3', above: 0, max: 1e6)] public ?float $barrel_volume_cm3 = null,
        #[Field('specific over hydraulic pressure', '', above: 0, max: 100)] public ?float $intensification = null,
        #[Field('of the screw', '1/min', above: 0, max: 10000)] public ?float $max_rpm = null,
        #[Field('heated one by one', '', min: 1, max: 50)] public ?int $zones = null,
        #[Field('of all bands together', 'W', above: 0, max: 1e6)] public ?float $heater_w = null,
        #[Field('of the steel that is heated', 'kg', above: 0, max: 10000)] public ?float $barrel_kg = null,
        #[Field('clear between the tie bars, across', 'mm', above: 0, max: 5000)]
        public ?float $tie_bar_width_mm = null,
        #[Field('clear between the tie bars, upright', 'mm', above: 0, max: 5000)]
        public ?float $tie_bar_height_mm = null,
        #[Field('of a closed mould, at least', 'mm', above: 0, max: 5000)] public ?float $least_mould_mm = null,
        #[Field('of a closed mould, at most', 'mm', above: 0, max: 5000)] public ?float $most_mould_mm = null,
        #[Field('widest distance of the platens', 'mm', above: 0, max: 10000)] public ?float $daylight_mm = null,
        #[Field('it opens so far', 'mm', above: 0, max: 5000)] public ?float $opening_mm = null,
        #[Field('it pushes the ejector so far', 'mm', above: 0, max: 1000)] public ?float $ejector_stroke_mm = null,
        #[Field('of a hot runner that it drives', '', min: 0, max: 100)] public ?int $hot_runner_zones = null,
        #[Field('of water that it feeds', '', min: 0, max: 50)] public ?int $circuits = null,
        #[Field('what a full barrel takes over the physics', '', min: 0.1, max: 10)] public ?float $soak_factor = null,
        #[Field('of its supply, left for a mould\'s heaters', 'kW', min: 0, max: 1000)] public ?float $spare_kw = null,
        #[Field(SetMarks::SAYS)] public ?string $set_marks = null,
    ) {
    }

    public function check(): void
    {
        SetMarks::mustBe($this->set_marks);
    }

    /** A screw makes melt by itself; a plunger's charge waits for its heat. */
    public function hasScrew(): bool
    {
        return $this->screw_diameter_mm !== null;
    }

    public function boreMm(): ?float
    {
        return $this->screw_diameter_mm ?? $this->barrel_diameter_mm;
    }

    /** Length of barrel that a shot can be taken from. */
    public function strokeMm(): ?float
    {
        return $this->hasScrew() ? $this->max_stroke_mm : $this->barrel_length_mm;
    }
}
