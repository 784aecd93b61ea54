<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/** No heat passes: a mid-plane by symmetry, an axis, or a face with nothing behind it. */
final class Insulated extends Boundary
{
    public function respond(float $cell, float $resistance, float $tau): void
    {
        $this->surface = $cell;
    }
}
