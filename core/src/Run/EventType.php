<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

enum EventType: string
{
    case Started = 'started';
    /** data: step, item; piece */
    case Confirmed = 'confirmed';
    /** data: entry, values; piece; step when it is logged after its step */
    case Logged = 'logged';
    /** data: step, reason when its gate is passed anyway; piece */
    case StepDone = 'step_done';
    /** data: timer, minutes (negative shortens), reason; piece */
    case Extended = 'extended';
    /** data: event (key of the one corrected), values, reason */
    case Corrected = 'corrected';
    /** data: text */
    case Noted = 'noted';
    /** data: piece, the next number */
    case PieceBegun = 'piece_begun';
    /** data: piece, reason: it is taken out before its last step */
    case PieceDropped = 'piece_dropped';
    /** no piece follows: the closing steps begin */
    case Closing = 'closing';
    /** data: reason: the machine lost its heat, its lot or its people, and the run goes on later */
    case Interrupted = 'interrupted';
    /** data: wait_min until what is in the machine is as it was, read_c what it reads when it is back */
    case Resumed = 'resumed';
    /** data: lot (its id), code: from now on another lot goes in than before */
    case LotChanged = 'lot_changed';
    /** data: reason */
    case Aborted = 'aborted';
}
