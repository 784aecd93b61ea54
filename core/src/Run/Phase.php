<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** When a step is done: once before the pieces, with every piece, or once after them. */
enum Phase: string
{
    case SetUp = 'setup';
    case Piece = 'piece';
    case Closing = 'closing';
}
