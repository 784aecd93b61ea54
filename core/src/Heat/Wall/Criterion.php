<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

enum Criterion: string
{
    case Centre = 'centre';
    case Mean = 'mean';
}
