<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/** Runs a stack until a quantity passes a level, and says when, interpolated within the step; null when it does not in time. */
final class Crossing
{
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
        $found = null;
        $stack->run($limit, static function (Stack $s, float $t0) use ($quantity, $watch, &$before, &$found): bool {
            $now = $quantity($s);
            if ($watch !== null) {
                $watch($s);
            }
            if ($now >= 0) {
                $found = $t0 + ($s->time - $t0) * -$before / max($now - $before, 1e-12);

                return true;
            }
            $before = $now;

            return false;
        });

        return $found;
    }
}
