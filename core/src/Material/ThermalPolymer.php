<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/** The thermal properties of one polymer in SI units (kg, m, J), ready for the solver. */
final readonly class ThermalPolymer
{
    public function __construct(
        public Morphology $morphology,
        public float $density_kg_m3,
        public float $conductivity_solid_w_mk,
        public float $conductivity_melt_w_mk,
        public float $specific_heat_solid_j_kgk,
        public float $specific_heat_melt_j_kgk,
        public ?float $tg_c,
        public ?float $tm_c,
        public ?float $tc_c,
        public float $heat_of_fusion_j_kg,
        public float $melt_width_k,
        public float $consolidate_start_c,
        public float $consolidate_end_c,
    ) {
    }

    /** Above this nothing of the polymer is solid: the melting point, or tg + 40 K for an amorphous one. */
    public function fluidAbove(): float
    {
        return $this->tm_c ?? (float) $this->tg_c + 40.0;
    }
}
