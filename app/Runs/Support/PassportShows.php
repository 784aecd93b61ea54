<?php

declare(strict_types=1);

namespace App\Runs\Support;

/** What a lead may tick to be shown of a part to whoever has its code. Nothing ticked is no passport. */
enum PassportShows: string
{
    case Name = 'name';
    case Mark = 'mark';
    case Sources = 'sources';
    case Kept = 'kept';
    case Made = 'made';
}
