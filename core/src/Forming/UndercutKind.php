<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

enum UndercutKind: string
{
    case Ring = 'ring';
    case EdgeClip = 'edge_clip';
}
