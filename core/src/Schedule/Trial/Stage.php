<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

/** How far a piece is in the task that it stands at. */
enum Stage
{
    case Before;
    case FirstHands;
    case ByItself;
    case Called;
    case LastHands;
}
