<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class ProfileInput
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 1e6)] public float $length_mm,
        #[Field('of the section, or give its sides', 'mm2', above: 0, max: 1e7)] public ?float $section_area_mm2 = null,
        #[Field('', 'mm', above: 0, max: 10000)] public ?float $width_mm = null,
        #[Field('', 'mm', above: 0, max: 10000)] public ?float $height_mm = null,
        #[Field('', 'mm', min: 1, max: 10000)] public ?float $diameter_mm = null,
        #[Field('of a hollow section', 'mm', min: 0.01, max: 5000)] public ?float $wall_mm = null,
        #[Field('or name a polymer', 'g/cm3', min: 0.005, max: 25)] public ?float $density_g_cm3 = null,
        #[Field('code of a polymer in the library')] public ?string $polymer = null,
        #[Field('runs over at the end', '%', min: 0, max: 100)] public float $overflow_pct = 3.0,
        #[Field('let out before the mould is on', 'g', min: 0, max: 1e6)] public float $purge_g = 0.0,
        #[Field('of the extruder', 'kg/h', above: 0, max: 1e5)] public ?float $throughput_kg_h = null,
    ) {
    }
}
