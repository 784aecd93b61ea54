<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

enum Hopper: string
{
    case Closed = 'closed';
    case Open = 'open';
}
