<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Mass of flake or granulate for a pressed sheet: pressed area × thickness × solid density × (1 + allowance).
 * pressed area = (L + 2·trim)(W + 2·trim). Conservation of mass; thermal shrinkage is not counted, so the thickness
 * is that of the cold sheet. Valid for a sheet without pores.
 */
#[Calc('charge.sheet', 'flake or granulate to weigh out for a pressed sheet')]
final readonly class Sheet
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(SheetInput $in): SheetResult
    {
        $density = $in->density($this->polymers);
        $area = $in->pressedAreaCm2();
        $perMm = $area * 0.1 * $density * (1 + $in->allowance_pct / 100);
        $charge = $perMm * $in->thickness_mm;
        $loose = $in->bulk_density_g_cm3 === null ? null : 10 * $charge / $in->bulk_density_g_cm3 / $area;
        $fits = $loose === null || $in->frame_depth_mm === null ? null : $loose <= $in->frame_depth_mm + 1e-9;

        $result = new SheetResult(
            net_mass_g: $in->length_mm * $in->width_mm * $in->thickness_mm / 1000 * $density,
            charge_mass_g: $charge,
            batch_mass_g: $charge * $in->sheets,
            mass_per_mm_g: $perMm,
            loose_height_mm: $loose,
            fits_frame: $fits,
        );
        $result->explain(sprintf('Weigh out %.0f g: %.0f × %.0f × %.1f mm at %.3f g/cm³, and %.1f %% for flash and residue.',
            $charge,
            $in->length_mm + 2 * $in->trim_mm,
            $in->width_mm + 2 * $in->trim_mm,
            $in->thickness_mm,
            $density,
            $in->allowance_pct));
        if ($in->bulk_density_g_cm3 !== null && $in->bulk_density_g_cm3 > $density) {
            $result->warn('The bulk density is above the solid\'s: loose flake cannot be heavier than the solid.');
        }
        if ($fits === false) {
            $result->warn(sprintf(
                'The loose charge stands %.0f mm high and does not fit the frame of %.0f mm: fill it in two lots, pressing between.',
                $loose,
                $in->frame_depth_mm,
            ));
        }

        return $result;
    }
}
