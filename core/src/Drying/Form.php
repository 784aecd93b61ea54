<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

enum Form: string
{
    case Pellet = 'pellet';
    case Flake = 'flake';
    case Sheet = 'sheet';
}
