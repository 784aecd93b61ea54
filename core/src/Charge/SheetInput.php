<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Material\PolymerLibrary;

final readonly class SheetInput
{
    public function __construct(
        #[Field('length of the finished sheet', 'mm', above: 0, max: 20000)] public float $length_mm,
        #[Field('width of the finished sheet', 'mm', above: 0, max: 20000)] public float $width_mm,
        #[Field('thickness of the finished sheet', 'mm', min: 0.01, max: 500)] public float $thickness_mm,
        #[Field(
            'density of the solid; or name a polymer',
            'g/cm3',
            min: 0.005,
            max: 25,
        )]
        public ?float $density_g_cm3 = null,
        #[Field('code of a polymer in the library')] public ?string $polymer = null,
        #[Field('flash, residue and overfill together', '%', min: 0, max: 100)] public float $allowance_pct = 5.0,
        #[Field('cut off each edge', 'mm', min: 0, max: 1000)] public float $trim_mm = 0.0,
        #[Field('how many sheets', '', min: 1, max: 100000)] public int $sheets = 1,
        #[Field('loose bulk density', 'g/cm3', min: 0.005, max: 25)] public ?float $bulk_density_g_cm3 = null,
        #[Field('depth of the frame', 'mm', above: 0, max: 2000)] public ?float $frame_depth_mm = null,
        #[Field(
            'a shop rule: charge for each millimetre of thickness',
            'kg/mm',
            above: 0,
            max: 1000,
        )]
        public ?float $shop_kg_per_mm = null,
    ) {
    }

    public function density(PolymerLibrary $library): float
    {
        return Density::of($this->density_g_cm3, $this->polymer, $library);
    }

    public function pressedAreaCm2(): float
    {
        return ($this->length_mm + 2 * $this->trim_mm) * ($this->width_mm + 2 * $this->trim_mm) / 100;
    }
}
