<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\Calc;

/**
 * Archimedes: ρ = m_air · ρ_water / (m_air − m_submerged). Water by Kell (1975), J. Chem. Eng. Data 20, 97, within
 * 1e-5 g/cm3 from 0 to 100 °C at 1 atm. A piece that floats is weighed with a sinker of known submerged mass.
 */
#[Calc('density.archimedes', 'density of a piece by weighing it in air and in water')]
final class Archimedes
{
    public function __invoke(ArchimedesInput $in): ArchimedesResult
    {
        $t = $in->water_c;
        $water = (
            999.83952 + 16.945176 * $t - 7.9870401e-3 * $t ** 2 - 46.170461e-6 * $t ** 3 + 105.56302e-9 * $t ** 4 - 280.54253e-12 * $t ** 5
        )
            / (1 + 16.879850e-3 * $t) / 1000;
        $density = $in->mass_air_g * $water / ($in->mass_air_g - ($in->mass_submerged_g - $in->sinker_submerged_g));

        return (new ArchimedesResult($density, $water))->explain(sprintf(
            '%.3f g/cm³ in water of %.4f g/cm³.',
            $density,
            $water,
        ))
            ->warn($t < 5 || $t > 40 ? 'The water is outside 5 to 40 °C: let it come to room temperature.' : null);
    }
}
