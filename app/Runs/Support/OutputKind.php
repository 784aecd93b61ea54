<?php

declare(strict_types=1);

namespace App\Runs\Support;

/** What a run put out. */
enum OutputKind: string
{
    case Goods = 'goods';
    case Lot = 'lot';
}
