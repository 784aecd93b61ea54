<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Material\ThermalPolymer;

/** What a forming mould is made of: how hot the sheet makes its face as it touches it. */
enum MouldStuff: string
{
    case Aluminium = 'aluminium';
    case Wood = 'wood';
    case Plaster = 'plaster';
    case Printed = 'printed';

    /**
     * The face of two bodies that touch, °C, until what is behind it is felt: each weighs by its effusivity √(k·ρ·c)
     * (Carslaw & Jaeger, Conduction of Heat in Solids, 2.5, 2nd ed. 1959).
     *
     * @param  float  $sheetC  of the sheet's face as it touches
     */
    public function touched(float $sheetC, float $mouldC, ThermalPolymer $sheet): float
    {
        $hot = sqrt($sheet->conductivity_melt_w_mk * $sheet->density_kg_m3 * $sheet->specific_heat_melt_j_kgk);
        $cold = $this->effusivity();

        return ($hot * $sheetC + $cold * $mouldC) / ($hot + $cold);
    }

    /** W·√s/(m²·K), of usual handbook values: k in W/(m·K), ρ in kg/m³, c in J/(kg·K). */
    public function effusivity(): float
    {
        [$k, $rho, $c] = match ($this) {
            self::Aluminium => [160.0, 2700.0, 900.0],
            self::Wood => [0.15, 700.0, 1700.0],
            self::Plaster => [0.5, 1200.0, 1000.0],
            self::Printed => [0.2, 1240.0, 1800.0],
        };

        return sqrt($k * $rho * $c);
    }
}
