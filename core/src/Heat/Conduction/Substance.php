<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

use Dithermic\Core\Material\Morphology;
use Dithermic\Core\Material\ThermalPolymer;

/**
 * What a layer is made of, as the solver sees it (SI: J/kg, W/mK, kg/m3, °C).
 *
 * Specific enthalpy on heating, zero at 0 °C in the solid, with f the fluid fraction rising linearly from
 * `rangeStart` to `rangeEnd`:  dh = (cSolid + (cMelt − cSolid)·f)·dT + fusion·df.
 * A semi-crystalline polymer freezes along its own curve that ends `width` below `freeze`; an amorphous one
 * softens over [tg, tg + 40 K] with no heat of fusion and retraces the same curve.
 */
final readonly class Substance
{
    public const GAS_CONDUCTIVITY_W_MK = 0.03;

    /** enthalpy at the start and at the end of the range */
    public float $hStart;

    public float $hEnd;

    private function __construct(
        public float $density,
        public float $cSolid,
        public float $cMelt,
        public float $kSolid,
        public float $kMelt,
        public float $fusion,
        public float $rangeStart,
        public float $rangeEnd,
        public float $freeze,
        public bool $hysteresis,
        public float $porosity,
        public float $closeStart,
        public float $closeEnd,
    ) {
        $this->hStart = is_finite($rangeStart) ? $cSolid * $rangeStart : INF;
        $this->hEnd = is_finite($rangeStart)
            ? $this->hStart + ($cSolid + $cMelt) / 2 * ($rangeEnd - $rangeStart) + $fusion : INF;
    }

    public static function constant(float $conductivity, float $density, float $specificHeat): self
    {
        return new self(
            $density,
            $specificHeat,
            $specificHeat,
            $conductivity,
            $conductivity,
            0,
            INF,
            INF,
            INF,
            false,
            0,
            INF,
            INF,
        );
    }

    /** Constant properties with a heat of fusion given and taken over the same range. */
    public static function melting(
        float $conductivity, float $density, float $specificHeat, ?float $fusion, float $liquidus, float $width,
        float $porosity = 0, float $closeStart = INF, float $closeEnd = INF,
    ): self {
        return new self(
            $density, $specificHeat, $specificHeat, $conductivity, $conductivity, $fusion ?? 0.0,
            $fusion === null ? INF : $liquidus - $width, $fusion === null ? INF : $liquidus, INF, false,
            $porosity, $closeStart, $closeEnd,
        );
    }

    public static function polymer(ThermalPolymer $p, float $porosity = 0.0): self
    {
        $semi = $p->morphology === Morphology::SemiCrystalline;

        return new self(
            $p->density_kg_m3, $p->specific_heat_solid_j_kgk, $p->specific_heat_melt_j_kgk,
            $p->conductivity_solid_w_mk, $p->conductivity_melt_w_mk, $p->heat_of_fusion_j_kg,
            $semi ? (float) $p->tm_c - $p->melt_width_k : (float) $p->tg_c,
            $semi ? (float) $p->tm_c : (float) $p->tg_c + 40.0,
            $semi ? (float) $p->tc_c : INF,
            $semi, $porosity, $p->consolidate_start_c, $p->consolidate_end_c,
        );
    }

    /** J/kg at a temperature reached by heating from the solid. */
    public function enthalpy(float $c): float
    {
        if ($c <= $this->rangeStart) {
            return $this->cSolid * $c;
        }
        if ($c >= $this->rangeEnd) {
            return $this->hEnd + $this->cMelt * ($c - $this->rangeEnd);
        }
        $x = $c - $this->rangeStart;
        $slope = 1 / ($this->rangeEnd - $this->rangeStart);

        return $this->hStart + ($this->cSolid + $this->fusion * $slope) * $x + ($this->cMelt - $this->cSolid) * $slope / 2 * $x * $x;
    }

    /** Fluid fraction on heating, 0 to 1. */
    public function fluidFraction(float $c): float
    {
        return is_finite($this->rangeStart)
            ? max(0.0, min(1.0, ($c - $this->rangeStart) / ($this->rangeEnd - $this->rangeStart))) : 0.0;
    }

    /**
     * The freezing curve of stuff that reached a hottest temperature with fluid fraction g: f stays g down to
     * min(freeze, hottest), then falls linearly to none at freeze − width.
     *
     * @return array{float, float, float} temperature, dT/dh, fluid fraction
     */
    public function freezing(float $h, float $hottest, float $hHottest, float $g): array
    {
        $spread = $this->cMelt - $this->cSolid;
        $top = $hottest < $this->freeze ? $hottest : $this->freeze;
        $c = $this->cSolid + $spread * $g;
        $hTop = $hHottest - $c * ($hottest - $top);
        if ($h >= $hTop) {
            return [$hottest - ($hHottest - $h) / $c, 1 / $c, $g];
        }
        $low = $this->freeze - ($this->rangeEnd - $this->rangeStart);
        $span = $top - $low;
        $rate = $g / $span;
        $b = $this->cSolid + $this->fusion * $rate;
        $a = $spread * $rate / 2;
        $hLow = $hTop - ($b * $span + $a * $span * $span);
        if ($h <= $hLow) {
            return [$low - ($hLow - $h) / $this->cSolid, 1 / $this->cSolid, 0.0];
        }
        $y = $h - $hLow;
        $root = sqrt($b * $b + 4 * $a * $y);
        $x = 2 * $y / ($b + $root);

        return [$low + $x, 1 / $root, $rate * $x];
    }

    /** Temperature on heating, the inverse of enthalpy(). */
    public function temperature(float $h): float
    {
        if ($h <= $this->hStart) {
            return $h / $this->cSolid;
        }
        if ($h >= $this->hEnd) {
            return $this->rangeEnd + ($h - $this->hEnd) / $this->cMelt;
        }
        $rate = 1 / ($this->rangeEnd - $this->rangeStart);
        $b = $this->cSolid + $this->fusion * $rate;
        $y = $h - $this->hStart;

        return $this->rangeStart + 2 * $y / ($b + sqrt($b * $b + 2 * ($this->cMelt - $this->cSolid) * $rate * $y));
    }

    /** Pores left after a hottest temperature: a smoothstep from `porosity` to none between closeStart and closeEnd. */
    public function porosityAfter(float $hottest): float
    {
        if ($this->porosity <= 0 || $hottest <= $this->closeStart) {
            return $this->porosity;
        }
        if ($hottest >= $this->closeEnd) {
            return 0.0;
        }
        $u = ($hottest - $this->closeStart) / ($this->closeEnd - $this->closeStart);

        return $this->porosity * (1 - $u * $u * (3 - 2 * $u));
    }
}
