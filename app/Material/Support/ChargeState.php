<?php

declare(strict_types=1);

namespace App\Material\Support;

/** How far a charge is. */
enum ChargeState: string
{
    case Weighing = 'weighing';
    case Waiting = 'waiting';
    case Used = 'used';
    case Returned = 'returned';
}
