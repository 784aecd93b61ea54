<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

/** Where a set-point came from. */
enum Origin: string
{
    case Library = 'library';
    /** one number for every polymer: a place to begin, not a property of this one */
    case Generic = 'generic';
    case LastGoodRun = "this machine's last good run";
    case YourRule = 'your rule';
}
