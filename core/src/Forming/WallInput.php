<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class WallInput implements Checked
{
    public function __construct(
        #[Field('at the sheet plane', 'mm', min: 1, max: 10000)] public float $base_diameter_mm,
        #[Field('', 'mm', above: 0, max: 10000)] public float $depth_mm,
        #[Field('', '°', min: 0, below: 90)] public float $draft_deg,
        #[Field('', 'mm', min: 0.01, max: 100)] public float $sheet_mm,
        #[Field('', '', min: 1, max: 1000)] public int $steps = 10,
        #[Field('sheet_mm unless given', 'mm', above: 0, max: 1000)] public ?float $corner_radius_mm = null,
    ) {
    }

    public function check(): void
    {
        if ($this->depth_mm * tan(deg2rad($this->draft_deg)) > $this->base_diameter_mm / 2 * (1 + 1e-9)) {
            throw new InputError('draft_deg', 'the wall closes before the bottom');
        }
    }
}
