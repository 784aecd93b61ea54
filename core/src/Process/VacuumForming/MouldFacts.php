<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Forming\UndercutKind;
use Dithermic\Core\Process\Settles;

/** What is known of a forming mould. Unknown is a value. */
final readonly class MouldFacts implements Settles
{
    public function __construct(
        public string $name = 'the mould',
        #[Field('where it meets the sheet', 'mm', above: 0, max: 10000)] public ?float $length_mm = null,
        #[Field('where it meets the sheet', 'mm', above: 0, max: 10000)] public ?float $width_mm = null,
        #[Field('of a round one', 'mm', min: 1, max: 10000)] public ?float $base_diameter_mm = null,
        #[Field('that it draws', 'mm', above: 0, max: 5000)] public ?float $depth_mm = null,
        #[Field('of its walls', '°', min: 0, below: 90)] public ?float $draft_deg = null,
        #[Field('of its corners', 'mm', above: 0, max: 1000)] public ?float $corner_radius_mm = null,
        #[Field('the sheet is drawn over it, or into it')] public ?MouldSide $side = null,
        #[Field('places with a bottom that the air must leave', '', min: 0, max: 1000)] public ?int $cavities = null,
        #[Field('of its vents; 0 where it has none', 'mm', min: 0, max: 50)] public ?float $vent_mm = null,
        #[Field('of its surface', 'mm', min: 0, max: 10)] public ?float $texture_mm = null,
        #[Field('a wanted clip or a ring that it comes off over', 'mm', min: 0, max: 1000)]
        public ?float $undercut_mm = null,
        #[Field('ring or clip')] public ?UndercutKind $undercut_kind = null,
        #[Field('of a clip, from its root to its hook', 'mm', min: 0.1, max: 1000)] public ?float $clip_depth_mm = null,
        #[Field('what it is made of')] public ?MouldStuff $made_of = null,
        #[Field('it softens, or chars, at', '°C', min: 30, max: 700)] public ?float $softens_c = null,
        #[Field('how many stand on one bed', '', min: 1, max: 100)] public ?float $parts_on_bed = null,
        #[Field('between two of them', 'mm', min: 0, max: 2000)] public ?float $spacing_mm = null,
        #[Field('what it takes over the physics of cooling', '', min: 0.1, max: 10)] public ?float $cool_factor = null,
        #[Field('parts that it stands', '', min: 1, max: 1e7)] public ?float $life_parts = null,
        #[Field('parts that it has made, counted by the shop', '', min: 0, max: 1e9)] public ?float $made = null,
    ) {
    }

    public function calledAs(): string
    {
        return $this->name;
    }

    /** What it settles of a part. */
    public function settings(): FormedSettings
    {
        return new FormedSettings(
            length_mm: $this->length_mm,
            width_mm: $this->width_mm,
            base_diameter_mm: $this->base_diameter_mm,
            depth_mm: $this->depth_mm,
            draft_deg: $this->draft_deg,
            corner_radius_mm: $this->corner_radius_mm,
            cool_factor: $this->cool_factor,
            parts_on_bed: $this->parts_on_bed,
            spacing_mm: $this->spacing_mm,
        );
    }
}
