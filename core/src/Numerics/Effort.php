<?php

declare(strict_types=1);

namespace Dithermic\Core\Numerics;

use ArithmeticError;
use Dithermic\Core\Heat\Conduction\NoSolution;

/**
 * How much work one answer may cost. Every cell that a solver goes over counts one, and whatever is as much work; when
 * an answer's share is used up the solver gives up instead of holding a worker for minutes. Counted, not timed, so that
 * the same question is answered or refused alike on every machine. Where nobody set a limit there is none.
 */
final class Effort
{
    private static int $left = PHP_INT_MAX;

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     *
     * @throws TooMuchWork when the cells run out
     * @throws NoSolution
     * @throws ArithmeticError
     */
    public static function within(int $cells, callable $work): mixed
    {
        $before = self::$left;
        self::$left = min($before, $cells);
        try {
            return $work();
        } finally {
            self::$left = $before;
        }
    }

    /** What an answer may still cost; as good as no end where nobody set a limit. */
    public static function left(): int
    {
        return self::$left;
    }

    /** @throws TooMuchWork */
    public static function spend(int $cells): void
    {
        self::$left -= $cells;
        if (self::$left < 0) {
            throw new TooMuchWork('would take longer than an answer may');
        }
    }
}
