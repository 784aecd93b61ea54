<?php

declare(strict_types=1);

namespace App\Shop\Support;

/** Why there are more or fewer of a bought-in part. */
enum PartMovementKind: string
{
    case Came = 'came';
    case Used = 'used';
    case Counted = 'counted';
}
