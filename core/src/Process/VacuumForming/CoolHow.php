<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

/**
 * How the part is cooled on its mould; practitioners differ. With the vacuum held is our default: it keeps its shape.
 */
enum CoolHow: string
{
    case Held = 'held';
    case HeldFan = 'held_fan';
    case Off = 'off';

    public function fan(): bool
    {
        return $this === self::HeldFan;
    }
}
