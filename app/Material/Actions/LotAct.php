<?php

declare(strict_types=1);

namespace App\Material\Actions;

/** What can be done to a lot where it stands. */
enum LotAct: string
{
    case Split = 'split';
    case Shred = 'shred';
    case Count = 'count';
    case Waste = 'waste';
    case Place = 'place';
    case Contamination = 'contamination';
    case Identify = 'identify';
    case PutRight = 'put_right';
    case Doubt = 'doubt';
}
