<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

enum BarrelEventKind: string
{
    case Load = 'load';
    case Shot = 'shot';
    case Purge = 'purge';
}
