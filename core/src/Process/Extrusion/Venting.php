<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

/**
 * How air and gas leave the melt. What the barrel has is our default: a vacuum on its vent takes most, a vent that
 * stands open takes what boils at the pressure of the air, and out of a closed barrel all of it comes with the bar.
 */
enum Venting: string
{
    case Closed = 'closed';
    case Open = 'open';
    case Vacuum = 'vacuum';
}
