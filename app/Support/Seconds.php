<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Carbon\CarbonInterface;

/** A moment as everything outside the database says it: seconds since 1970 UTC, to the millisecond. */
final class Seconds
{
    /** By the shop's clock. */
    public static function now(): float
    {
        return round(app(ShopClock::class)->now(), 3);
    }

    public static function of(CarbonInterface $at): float
    {
        return (float) $at->format('U.v');
    }

    public static function moment(float $at): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMsUTC((int) round(1000 * $at));
    }
}
