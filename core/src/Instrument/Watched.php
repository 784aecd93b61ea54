<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

/** When a channel is watched. */
enum Watched: string
{
    case Never = 'never';
    /** while its machine is in a run */
    case Run = 'run';
    case Always = 'always';
}
