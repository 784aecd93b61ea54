<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** Where an entry comes from, in order of trust: an instrument, a foot switch, a touch, a number typed. */
enum EventSource: string
{
    case Trace = 'trace';
    case Signal = 'signal';
    case Tap = 'tap';
    case Typed = 'typed';
}
