<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

enum Shape: string
{
    case Box = 'box';
    case Cone = 'cone';
    case Dome = 'dome';
}
