<?php

declare(strict_types=1);

namespace App\Planning\Support;

/** What came of an order. */
enum OrderEntryKind: string
{
    case Moved = 'moved';
    case Delivered = 'delivered';
    case Cancelled = 'cancelled';
}
