<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Process\SetMarks;

/** What is known of an extruder and its tank. Unknown is a value. */
final readonly class ExtruderFacts implements Checked
{
    public function __construct(
        public string $name = 'the extruder',
        #[Field('that it gives', 'kg/h', above: 0, max: 1e5)] public ?float $throughput_kg_h = null,
        #[Field('', 'cm3', above: 0, max: 1e6)] public ?float $barrel_volume_cm3 = null,
        #[Field('of its screw', 'mm', above: 0, max: 1000)] public ?float $screw_diameter_mm = null,
        #[Field('it may be set to at most', '°C', min: 0, max: 600)] public ?float $max_c = null,
        #[Field('of its tank', '°C', min: -20, max: 120)] public ?float $bath_c = null,
        #[Field('melt that it gives', 'cm3/min', above: 0, max: 1e6)] public ?float $throughput_cm3_min = null,
        #[Field('heated one by one', '', min: 1, max: 50)] public ?int $zones = null,
        #[Field('moulds that the tank takes', '', min: 1, max: 100)] public ?float $tank_places = null,
        #[Field(
            'absolute, at its vent: what its pump reaches, or of the air where it only stands open; none: closed',
            'kPa',
            min: 0,
            max: 110,
        )]
        public ?float $vent_kpa = null,
        #[Field('of the air here', 'kPa', min: 50, max: 110)] public float $atmosphere_kpa = 101.325,
        #[Field(SetMarks::SAYS)] public ?string $set_marks = null,
    ) {
    }

    public function check(): void
    {
        SetMarks::mustBe($this->set_marks);
    }
}
