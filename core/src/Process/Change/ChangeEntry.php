<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

/** What is added to the log of a job change. */
enum ChangeEntry: string
{
    /** a wait was begun: zones set, dryer on */
    case Begun = 'begun';
    /** a port or a position */
    case Tapped = 'tapped';
    /** a purging was looked at */
    case Looked = 'looked';
    case Over = 'over';
    /** left out, with a reason */
    case Passed = 'passed';
    /** the newest of a task taken back */
    case Undone = 'undone';
    case GivenUp = 'given_up';
}
