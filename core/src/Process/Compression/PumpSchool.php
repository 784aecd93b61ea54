<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

/** When to pump: by the clock, which asks also when nobody is looking, or by the slack of the gauge. */
enum PumpSchool: string
{
    case EveryMinutes = 'every_minutes';
    case WatchGauge = 'watch_gauge';
}
