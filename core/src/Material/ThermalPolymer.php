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

    /** The same polymer quenched: it has not crystallised, softens over [tg, tg + 40 K] and melts nowhere. */
    public function quenched(): self
    {
        $tg = (float) $this->tg_c;

        return new self(
            Morphology::Amorphous, $this->density_kg_m3, $this->conductivity_solid_w_mk, $this->conductivity_melt_w_mk,
            $this->specific_heat_solid_j_kgk,
            $this->specific_heat_melt_j_kgk,
            $tg,
            null,
            null,
            0.0,
            $this->melt_width_k,
            $tg + 20,
            $tg + 60,
        );
    }
}
