<?php

declare(strict_types=1);

namespace App\Instruments\Support;

/** What is said of a channel. */
enum ChannelEntryKind: string
{
    case Limits = 'limits';
    case Calibrated = 'calibrated';
}
