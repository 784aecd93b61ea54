<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Dwell;

enum Verdict: string
{
    case Ok = 'ok';
    case Near = 'near';
    case Over = 'over';
}
