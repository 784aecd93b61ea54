<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Calc;

/**
 * Voids from a sheet's mass and size: porosity = 1 − apparent density / solid density (ISO 845 for the apparent
 * density). As good as the mean thickness: 1 % on the thickness is 1 % on the answer.
 */
#[Calc('quality.porosity', 'voids inside a sheet, from its mass and size')]
final class Porosity
{
    public function __invoke(PorosityInput $in): PorosityResult
    {
        $apparent = $in->mass_g / ($in->length_mm * $in->width_mm * $in->mean_thickness_mm / 1000);
        $porosity = 100 * (1 - $apparent / $in->density_g_cm3);
        [$verdict, $says] = match (true) {
            $porosity < -2 => ['impossible', 'heavier than solid: measure again, or the polymer is another one'],
            $porosity <= 2 => ['sound', 'as dense as solid'],
            $porosity <= 5 => ['some_voids', 'some voids: cut an edge and look'],
            default => ['porous', 'porous: air, moisture or a cold middle'],
        };

        return (new PorosityResult($apparent, $porosity, $verdict))
            ->explain(sprintf('%.3f g/cm³ against %.3f: %s.', $apparent, $in->density_g_cm3, $says));
    }
}
