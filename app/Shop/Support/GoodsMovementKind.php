<?php

declare(strict_types=1);

namespace App\Shop\Support;

/** Why the shelf holds more or less than was made. */
enum GoodsMovementKind: string
{
    case Taken = 'taken';
    case Counted = 'counted';
}
