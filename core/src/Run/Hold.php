<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** What a step leaves of the hands: with none free nothing may be asked. */
enum Hold: string
{
    case Free = 'free';
    case One = 'one';
    case None = 'none';
}
