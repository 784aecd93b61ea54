<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class ShotInput
{
    public function __construct(
        #[Field('one part', 'cm3', above: 0, max: 1e6)] public float $part_volume_cm3,
        #[Field('bore', 'mm', min: 1, max: 1000)] public float $barrel_diameter_mm,
        #[Field('heated length that can hold melt', 'mm', above: 0, max: 10000)] public float $barrel_length_mm,
        #[Field('parts in a shot', '', min: 1, max: 10000)] public int $cavities = 1,
        #[Field('sprue and runners', 'cm3', min: 0, max: 1e6)] public float $runner_volume_cm3 = 0.0,
        #[Field('purge and leak', '%', min: 0, max: 100)] public float $loss_pct = 3.0,
        #[Field(
            'of the solid; or name a polymer',
            'g/cm3',
            min: 0.005,
            max: 25,
        )]
        public ?float $density_solid_g_cm3 = null,
        #[Field('of the melt', 'g/cm3', min: 0.005, max: 25)] public ?float $density_melt_g_cm3 = null,
        #[Field('of the loose feed', 'g/cm3', min: 0.005, max: 25)] public ?float $bulk_density_g_cm3 = null,
        #[Field('code of a polymer in the library')] public ?string $polymer = null,
    ) {
    }
}
