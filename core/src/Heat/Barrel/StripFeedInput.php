<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;

final readonly class StripFeedInput implements Checked
{
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('that leaves the extruder', '°C', min: -50, max: 600)] public float $melt_c,
        #[Field('from the cut until it goes in', 's', min: 0, max: 86400)] public float $age_s,
        #[Field('of the barrel that it feeds', 'mm', min: 1, max: 500)] public float $barrel_diameter_mm,
        #[Field('of that barrel', '°C', min: -50, max: 600)] public float $wall_c,
        #[Field('of a round strip', 'mm', min: 1, max: 500)] public ?float $diameter_mm = null,
        #[Field('of a flat strip', 'mm', min: 1, max: 500)] public ?float $width_mm = null,
        #[Field('of a flat strip', 'mm', min: 1, max: 500)] public ?float $height_mm = null,
        #[Field('with its runner and loss', 'g', above: 0, max: 1e6)] public ?float $shot_g = null,
        #[Field('', '°C', min: -30, max: 60)] public float $room_c = 20.0,
        #[Field('to still air, with what it radiates', 'W/m2K', above: 0, max: 1000)] public float $h_w_m2k = 12.0,
        #[Field('what this barrel takes over the physics', '', min: 0.05, max: 20)] public float $soak_factor = 1.0,
        #[Field('add how it goes on while it lies there')] public bool $with_ages = false,
    ) {
    }

    public function check(): void
    {
        if ($this->diameter_mm === null && ($this->width_mm === null || $this->height_mm === null)) {
            throw new InputError('diameter_mm', 'give the diameter of the strip, or both its sides');
        }
        if ($this->acrossMm() > $this->barrel_diameter_mm) {
            throw new InputError($this->diameter_mm === null ? 'width_mm' : 'diameter_mm', sprintf(
                'does not go into a bore of %.0f mm: a thinner strip',
                $this->barrel_diameter_mm,
            ));
        }
        if ($this->melt_c <= $this->room_c) {
            throw new InputError('melt_c', 'is no hotter than the room');
        }
    }

    public function sectionMm2(): float
    {
        return $this->diameter_mm === null
            ? (float) $this->width_mm * (float) $this->height_mm
            : M_PI / 4 * $this->diameter_mm ** 2;
    }

    /** Of the circle that it goes through, mm. */
    public function acrossMm(): float
    {
        return $this->diameter_mm ?? hypot((float) $this->width_mm, (float) $this->height_mm);
    }

    /** Of the round strip that has as much face for its volume: twice the section over half its outline, mm. */
    public function radiusMm(): float
    {
        return $this->diameter_mm === null
            ? (float) $this->width_mm * (float) $this->height_mm / ((float) $this->width_mm + (float) $this->height_mm)
            : $this->diameter_mm / 2;
    }
}
