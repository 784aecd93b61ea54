<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

/** How a moulding machine pushes: a plunger by hand or motor, or a screw that also kneads. */
enum MachineKind: string
{
    case Lever = 'lever';
    case Motor = 'motor';
    case Drum = 'drum';
    case Screw = 'screw';

    public function isPlunger(): bool
    {
        return $this !== self::Screw;
    }
}
