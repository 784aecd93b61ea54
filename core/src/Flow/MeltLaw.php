<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

/** A power-law melt: τ = K·rateⁿ with K(T) = K0·exp(−b(T − T0)). */
final readonly class MeltLaw
{
    public function __construct(
        /** K0, Pa·sⁿ */
        public float $consistency,
        /** T0, °C */
        public float $reference_c,
        public float $exponent,
        /** b, 1/K */
        public float $temperature_coefficient,
    ) {
    }

    /** Pa·sⁿ */
    public function consistencyAt(float $c): float
    {
        return $this->consistency * exp(-$this->temperature_coefficient * ($c - $this->reference_c));
    }
}
