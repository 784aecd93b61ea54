<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/**
 * A body or stream of given temperature behind a conductance h (W/m2K): contact, convection, and, with an infinite h,
 * a face of fixed temperature.
 */
final class Held extends Boundary
{
    private readonly float $contact;

    /** @param  float  $temperature  whoever follows a measured one sets it anew between runs of the stack */
    public function __construct(public float $temperature, float $conductance = INF)
    {
        $this->contact = 1 / $conductance;
    }

    public function respond(float $cell, float $resistance, float $tau): void
    {
        $g = 1 / ($resistance + $this->contact);
        $this->slope = -$g;
        $this->flux = $g * ($this->temperature - $cell);
        $this->surface = $cell + $this->flux * $resistance;
    }
}
