<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class ArchimedesInput implements Checked
{
    public function __construct(
        #[Field('dry, in air', 'g', above: 0, max: 1e6)] public float $mass_air_g,
        #[Field('under water; negative when it floats', 'g', min: -1e6, max: 1e6)] public float $mass_submerged_g,
        #[Field('the sinker alone under water', 'g', min: 0, max: 1e6)] public float $sinker_submerged_g = 0.0,
        #[Field('', '°C', min: 0, max: 100)] public float $water_c = 20.0,
    ) {
    }

    public function check(): void
    {
        if ($this->mass_submerged_g - $this->sinker_submerged_g >= $this->mass_air_g) {
            throw new InputError(
                'mass_submerged_g',
                'weighs as much under water as in air: weigh again, and hang it clear of the vessel',
            );
        }
    }
}
