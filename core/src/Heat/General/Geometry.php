<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

enum Geometry: string
{
    case Slab = 'slab';
    case Cylinder = 'cylinder';
}
