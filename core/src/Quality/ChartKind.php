<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

enum ChartKind: string
{
    case Individuals = 'i_mr';
    case Subgroups = 'xbar_r';
    case Rejects = 'p';
}
