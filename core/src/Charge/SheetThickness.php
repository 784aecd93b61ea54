<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\PolymerLibrary;

/** The inverse of charge.sheet: thickness = mass/(1 + loss)/(density × pressed area). */
#[Calc('charge.sheet_thickness', 'the thickness that a charge gives')]
final readonly class SheetThickness
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(SheetThicknessInput $in): SheetThicknessResult
    {
        $density = Density::of($in->density_g_cm3, $in->polymer, $this->polymers);
        $area = ($in->length_mm + 2 * $in->trim_mm) * ($in->width_mm + 2 * $in->trim_mm) / 100;
        $thickness = 10 * $in->mass_g / (1 + $in->loss_pct / 100) / ($density * $area);

        return (new SheetThicknessResult($thickness))->explain(sprintf(
            '%.0f g give a sheet %.2f mm thick.',
            $in->mass_g,
            $thickness,
        ));
    }
}
