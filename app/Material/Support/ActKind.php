<?php

declare(strict_types=1);

namespace App\Material\Support;

/** What somebody did with material; some of it moves a mass, some only says something. */
enum ActKind: string
{
    case Counted = 'counted';
    case Delivered = 'delivered';
    case Made = 'made';
    case Merged = 'merged';
    case PutRight = 'put_right';
    case Returned = 'returned';
    case Shredded = 'shredded';
    case Sorted = 'sorted';
    case Split = 'split';
    case Wasted = 'wasted';
    case Weighed = 'weighed';
    case Charge = 'charge';
    case Charged = 'charged';
    case Contaminated = 'contaminated';
    case Doubted = 'doubted';
    case Dried = 'dried';
    case Identified = 'identified';
    case Imported = 'imported';
    case Placed = 'placed';
    case Rescaled = 'rescaled';
    case Trust = 'trust';
}
