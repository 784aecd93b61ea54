<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

enum TraceVerdict: string
{
    case NoSeal = 'no seal';
    case Leaks = 'leaks';
    case Sealed = 'sealed';
}
