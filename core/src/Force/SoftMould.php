<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

enum SoftMould: string
{
    case PrintedResin = 'printed_resin';
    case Aluminium = 'aluminium';
    case Steel = 'steel';
}
