<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

/**
 * How long to wait after refilling; practitioners differ. By physics is our default: a fresh charge moves down the
 * barrel as a plug, so that up to half of it may be refilled without a wait and more of it needs the whole soak again.
 */
enum SoakRule: string
{
    case Physics = 'physics';
    case ByFraction = 'by_fraction';
}
