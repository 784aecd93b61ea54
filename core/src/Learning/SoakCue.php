<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

/** What the melt of a full barrel looked like when it was let out. */
enum SoakCue: string
{
    /** a rope without lumps: it was ready, and just so where the minutes are the first at which it was */
    case Smooth = 'smooth';

    /** it was not ready yet */
    case Lumps = 'lumps';

    /** it had long been ready: somebody waited longer than was needed */
    case LongReady = 'long_ready';
}
