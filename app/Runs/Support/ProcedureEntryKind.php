<?php

declare(strict_types=1);

namespace App\Runs\Support;

/** What is said of how a shop works a procedure. */
enum ProcedureEntryKind: string
{
    case Proposed = 'proposed';
    case Approved = 'approved';
    case TurnedDown = 'turned_down';
}
