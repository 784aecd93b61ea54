<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/**
 * A radiant heater in sight of the face, with losses to the air: q = σ·exchange·(Th⁴ − Ts⁴) + h·(Tair − Ts), in kelvin.
 * Stefan–Boltzmann law for two grey surfaces; `exchange` holds emissivities and view factor together.
 */
final class Radiant extends Boundary
{
    private const SIGMA = 5.670374419e-8;

    private const ZERO_C = 273.15;

    private readonly float $fromHeater;

    public function __construct(
        float $heater,
        private readonly float $exchange,
        private readonly float $conductance,
        private readonly float $ambient,
    ) {
        $this->fromHeater = self::SIGMA * $exchange * ($heater + self::ZERO_C) ** 4;
    }

    public function respond(float $cell, float $resistance, float $tau): void
    {
        $surface = $this->surface > -self::ZERO_C && $this->surface !== 0.0 ? $this->surface : $cell;
        for ($i = 0; $i < 20; $i++) {
            $kelvin = $surface + self::ZERO_C;
            $cubed = self::SIGMA * $this->exchange * $kelvin * $kelvin * $kelvin;
            $flux = $this->fromHeater - $cubed * $kelvin + $this->conductance * ($this->ambient - $surface);
            $own = -4 * $cubed - $this->conductance;
            $move = ($cell + $flux * $resistance - $surface) / (1 - $own * $resistance);
            $surface += $move;
            if (abs($move) < 1e-9) {
                break;
            }
        }
        $kelvin = $surface + self::ZERO_C;
        $cubed = self::SIGMA * $this->exchange * $kelvin * $kelvin * $kelvin;
        $own = -4 * $cubed - $this->conductance;
        $this->flux = $this->fromHeater - $cubed * $kelvin + $this->conductance * ($this->ambient - $surface);
        $this->slope = $own / (1 - $own * $resistance);
        $this->surface = $surface;
    }
}
