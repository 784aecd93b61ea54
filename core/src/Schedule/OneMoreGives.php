<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/** What one more of something would have given on days that were. */
final readonly class OneMoreGives
{
    /**
     * @param  string  $of  a station, or OneMore::HANDS
     * @param  float|null  $busyPct  of the time in which anything was made; null for hands
     * @param  float  $soonerMin  that a day is over sooner, in the mean
     * @param  int  $days  that end sooner by as much as is worth telling
     * @param  float  $mostMin  on the day that it helps most
     */
    public function __construct(
        public string $of,
        public ?float $busyPct,
        public float $soonerMin,
        public int $days,
        public float $mostMin,
    ) {
    }
}
