<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class SheetThicknessInput
{
    public function __construct(
        #[Field('length of the finished sheet', 'mm', above: 0, max: 20000)] public float $length_mm,
        #[Field('width of the finished sheet', 'mm', above: 0, max: 20000)] public float $width_mm,
        #[Field('charge weighed out', 'g', above: 0, max: 1e8)] public float $mass_g,
        #[Field(
            'density of the solid; or name a polymer',
            'g/cm3',
            min: 0.005,
            max: 25,
        )]
        public ?float $density_g_cm3 = null,
        #[Field('code of a polymer in the library')] public ?string $polymer = null,
        #[Field('lost as flash and residue, of the net mass', '%', min: 0, max: 100)] public float $loss_pct = 0.0,
        #[Field('cut off each edge', 'mm', min: 0, max: 1000)] public float $trim_mm = 0.0,
    ) {
    }
}
