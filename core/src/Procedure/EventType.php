<?php

declare(strict_types=1);

namespace Dithermic\Core\Procedure;

enum EventType: string
{
    case Started = 'started';
    /** data: step, item */
    case Confirmed = 'confirmed';
    /** data: entry, values */
    case Logged = 'logged';
    /** data: step, reason when its gate is passed anyway */
    case StepDone = 'step_done';
    /** data: timer, minutes (negative shortens), reason */
    case Extended = 'extended';
    /** data: event (key of the one corrected), values, reason */
    case Corrected = 'corrected';
    /** data: text */
    case Noted = 'noted';
    /** data: reason */
    case Aborted = 'aborted';
}
