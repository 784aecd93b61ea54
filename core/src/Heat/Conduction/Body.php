<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/**
 * A well-mixed body (a platen) behind a conductance: it warms and cools by what passes through the face, by a heater
 * held between none and full power, and by a loss to its surroundings. Per m2 of face.
 *
 *     capacity·dT/dt = heater(T) − loss·(T − lossTo) − flux into the face
 *     heater(T) = clamp(gain·(setPoint − T) + feedForward, 0, fullPower)
 */
final class Body extends Boundary
{
    private const GAMMA = Stack::GAMMA;

    public float $lowest;

    public float $secondsAtFullPower = 0.0;

    private float $start;

    private float $base;

    private float $first = 0.0;

    private float $now;

    private float $steadyTau = 0.0;

    public function __construct(
        public float $temperature,
        private readonly float $conductance,
        private readonly float $capacity,
        private readonly float $loss,
        private readonly float $lossTo,
        private readonly float $setPoint = 0.0,
        private readonly float $gain = 0.0,
        private readonly float $feedForward = 0.0,
        private readonly float $fullPower = 0.0,
    ) {
        $this->lowest = $temperature;
        $this->start = $this->base = $this->now = $temperature;
    }

    public function beginStage(bool $second): void
    {
        if ($second) {
            $this->first = $this->now;
            $this->base = $this->start + (1 - self::GAMMA) / self::GAMMA * ($this->first - $this->start);
        } else {
            $this->start = $this->base = $this->temperature;
        }
    }

    public function respond(float $cell, float $resistance, float $tau): void
    {
        $g = 1 / ($resistance + 1 / $this->conductance);
        $this->steadyTau = $tau;
        $t = $this->now;
        // Piecewise linear and monotone: each pass solves exactly within the heater's present regime.
        for ($i = 0; $i < 6; $i++) {
            [$power, $slope] = $this->heater($t);
            $source = $power - $this->loss * ($t - $this->lossTo);
            $own = $slope - $this->loss;
            $residual = $this->capacity * ($t - $this->base) - $tau * ($source - $g * ($t - $cell));
            $move = -$residual / ($this->capacity - $tau * ($own - $g));
            $t += $move;
            if (abs($move) < 1e-9) {
                break;
            }
        }
        $own = $this->heater($t)[1] - $this->loss;
        $follows = $tau * $g / ($this->capacity - $tau * ($own - $g));
        $this->now = $t;
        $this->flux = $g * ($t - $cell);
        $this->slope = $g * ($follows - 1);
        $this->surface = $cell + $this->flux * $resistance;
    }

    public function endStep(): void
    {
        if ($this->fullPower > 0 && $this->heater($this->now)[0] >= $this->fullPower) {
            $this->secondsAtFullPower += $this->steadyTau / self::GAMMA;
        }
        $this->temperature = $this->now;
        $this->lowest = min($this->lowest, $this->now);
    }

    public function dropStep(): void
    {
        $this->now = $this->temperature;
    }

    /** @return array{float, float} power and its slope against temperature */
    private function heater(float $t): array
    {
        $power = $this->gain * ($this->setPoint - $t) + $this->feedForward;

        return match (true) {
            $power <= 0 => [0.0, 0.0],
            $power >= $this->fullPower => [$this->fullPower, 0.0],
            default => [$power, -$this->gain],
        };
    }
}
