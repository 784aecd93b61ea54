<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

enum WayKind: string
{
    case Slit = 'slit';
    case Round = 'round';
}
