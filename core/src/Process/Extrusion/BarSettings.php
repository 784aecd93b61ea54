<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Field;

/** The numbers that can be set for a bar; whoever says one says it here: product, recipe, person. */
final readonly class BarSettings
{
    public function __construct(
        #[Field('of the bar', 'mm', above: 0, max: 100000)] public ?float $length_mm = null,
        #[Field('of the section', 'mm', min: 1, max: 2000)] public ?float $width_mm = null,
        #[Field('of the section', 'mm', min: 1, max: 2000)] public ?float $height_mm = null,
        #[Field('of a round one, instead of its sides', 'mm', min: 1, max: 2000)] public ?float $diameter_mm = null,
        #[Field('runs over at the end', '%', min: 0, max: 100)] public ?float $overflow_pct = null,
        #[Field('let out until it is smooth', 'g', min: 0, max: 1e6)] public ?float $purge_g = null,
        #[Field('set-point of the barrel', '°C', min: 0, max: 500)] public ?float $melt_c = null,
        #[Field('of the tank', '°C', min: -20, max: 120)] public ?float $bath_c = null,
        #[Field('mould off, next mould on', 's', above: 0, max: 3600)] public ?float $swap_s = null,
        #[Field('of its nozzle end, thickness of skin that holds the melt back', 'mm', above: 0, max: 100)]
        public ?float $plug_mm = null,
        #[Field('between its supports when it is stripped', 'mm', above: 0, max: 100000)] public ?float $span_mm = null,
        #[Field('moulds that there are', '', min: 1, max: 100)] public ?float $moulds = null,
        #[Field('bars of a run', '', min: 1, max: 100000)] public ?float $bars = null,
        #[Field('of a filled mould without the bar', 'kg', min: 0, max: 10000)] public ?float $mould_kg = null,
        #[Field('that it takes over the physics', '', min: 0.1, max: 10)] public ?float $cool_factor = null,
        #[Field('lighter than it should be, at most', '%', above: 0, max: 50)] public ?float $void_limit_pct = null,
        #[Field('that one shot of the injector takes, which these strips feed', 'g', above: 0, max: 1e5)]
        public ?float $shot_g = null,
        #[Field('of the barrel that strips feed', 'mm', min: 1, max: 500)] public ?float $feeds_bore_mm = null,
        #[Field('of the barrel that strips feed, its set-point', '°C', min: 0, max: 500)]
        public ?float $feeds_melt_c = null,
        #[Field('from the cut until a strip goes in', 's', min: 0, max: 86400)] public ?float $age_s = null,
        #[Field('of the die that a profile is drawn from', 'mm2', above: 0, max: 1e6)]
        public ?float $die_area_mm2 = null,
        #[Field('of a profile, to either side', 'mm', above: 0, max: 100)] public ?float $size_tolerance_mm = null,
        #[Field('between two measurements of a profile', 'min', above: 0, max: 600)] public ?float $look_min = null,
        #[Field('of the shift', 'h', above: 0, max: 24)] public ?float $shift_h = null,
    ) {
    }
}
