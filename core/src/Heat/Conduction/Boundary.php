<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/**
 * What a face of the stack meets. The solver asks, at each iterate, for the heat flux into the face (W/m2) and its
 * slope against the temperature of the outermost cell; `resistance` (m2K/W) is that half cell's own.
 * After respond() the answers stand in $flux, $slope and $surface.
 */
abstract class Boundary
{
    public float $flux = 0.0;

    public float $slope = 0.0;

    public float $surface = 0.0;

    abstract public function respond(float $cell, float $resistance, float $tau): void;

    /** Called before each stage of a step: the step's first stage, then its second. */
    public function beginStage(bool $second): void
    {
    }

    public function endStep(): void
    {
    }

    public function dropStep(): void
    {
    }
}
