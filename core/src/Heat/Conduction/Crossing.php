<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/**
 * Runs a stack until a quantity passes a level, and says when; null when it does not in time. The moment lies inside
 * the last step: that step is taken again from its start, to where the secant through what is known says, until the
 * quantity is there. A straight line through a whole step would be off by up to 0.3 %, one way or the other as the
 * steps fall.
 */
final class Crossing
{
    private const TRIES = 4;

    /** near enough, in the quantity's unit (K) */
    private const THERE = 2e-3;

    /**
     * @param  callable(Stack): float  $quantity  counted as passed when it is at or above 0
     * @param  null|callable(Stack): void  $watch
     */
    public static function time(Stack $stack, float $limit, callable $quantity, ?callable $watch = null): ?float
    {
        $before = $quantity($stack);
        if ($before >= 0) {
            return $stack->time;
        }
        while ($stack->time < $limit - 1e-9) {
            $start = clone $stack;
            $stack->run($limit, static fn (): bool => true);
            $now = $quantity($stack);
            if ($watch !== null) {
                $watch($stack);
            }
            if ($now >= 0) {
                return self::within($start, $before, $stack->time, $now, $quantity);
            }
            $before = $now;
        }

        return null;
    }

    /**
     * @param  callable(Stack): float  $quantity
     */
    private static function within(Stack $start, float $before, float $end, float $after, callable $quantity): float
    {
        [$low, $high] = [$start->time, $end];
        for ($try = 0; $try < self::TRIES && $high - $low > 1e-9 * $end; $try++) {
            $at = $low + ($high - $low) * -$before / max($after - $before, 1e-12);
            $probe = clone $start;
            $probe->run($at);
            $there = $quantity($probe);
            if (abs($there) < self::THERE) {
                return $at + (
                    $there < 0
                        ? ($high - $at) * -$there / max($after - $there, 1e-12)
                        : -($at - $low) * $there / max($there - $before, 1e-12)
                );
            }
            if ($there < 0) {
                [$low, $before] = [$at, $there];
            } else {
                [$high, $after] = [$at, $there];
            }
        }

        return $low + ($high - $low) * -$before / max($after - $before, 1e-12);
    }
}
