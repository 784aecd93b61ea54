<?php

declare(strict_types=1);

namespace App\Material\Support;

/** Whether a sorting still takes pieces. */
enum SortingState: string
{
    case Open = 'open';
    case Closed = 'closed';
}
