<?php

declare(strict_types=1);

namespace App\Planning\Support;

/** What somebody wants of a job in the plan of a day. */
enum WishKind: string
{
    case Pinned = 'pinned';
    case Free = 'free';
    case LeftOut = 'left_out';
}
