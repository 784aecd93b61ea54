<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/**
 * What instruments read since a clock began, in slots of so many seconds: a channel that is read more often counts no
 * more than another, and one that falls silent leaves the others.
 */
final class Slots
{
    /**
     * @param  array<string, list<array{float, float}>>  $readings  by channel: seconds since 1970 UTC and °C, in order
     * @return list<array{float, non-empty-list<float>}> seconds since the clock began, rising, and the mean of each channel
     */
    public static function of(Clock $clock, array $readings, float $overS): array
    {
        $slots = [];
        foreach ($readings as $points) {
            $of = [];
            foreach ($points as [$at, $value]) {
                $since = $at - $clock->from;
                $of[(int) floor($since / $overS)][] = [$since, $value];
            }
            foreach ($of as $slot => $in) {
                $slots[$slot][] = [self::mean(array_column($in, 0)), self::mean(array_column($in, 1))];
            }
        }
        ksort($slots);

        return array_values(array_map(
            static fn (array $in): array => [self::mean(array_column($in, 0)), array_column($in, 1)],
            $slots,
        ));
    }

    /** @param  non-empty-list<float>  $values */
    public static function mean(array $values): float
    {
        return array_sum($values) / count($values);
    }
}
