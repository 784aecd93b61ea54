<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

/** What is left of a melt in a barrel that lost its heat. */
enum StillIn: string
{
    case Melt = 'melt';
    /** it would move, but comes in lumps */
    case Stiff = 'stiff';
    case Solid = 'solid';
}
