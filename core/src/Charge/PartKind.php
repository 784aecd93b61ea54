<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

/** What a part of a mix is there for. */
enum PartKind: string
{
    case Colour = 'colour';
    case Virgin = 'virgin';
    case Regrind = 'regrind';
    case Masterbatch = 'masterbatch';
}
