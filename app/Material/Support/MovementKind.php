<?php

declare(strict_types=1);

namespace App\Material\Support;

/** Why a lot became more or less. */
enum MovementKind: string
{
    case Delivered = 'delivered';
    case Drawn = 'drawn';
    case Made = 'made';
    case Corrected = 'corrected';
    case Split = 'split';
    case Merged = 'merged';
    case Shredded = 'shredded';
    case Counted = 'counted';
    case Wasted = 'wasted';
    case Sorted = 'sorted';
    case Weighed = 'weighed';
    case Returned = 'returned';
    case PutRight = 'put_right';
}
