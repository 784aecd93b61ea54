<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/** Clocks that ring: two within a minute call whoever is there to two places. */
final class Rings
{
    public const AT_ONCE_MIN = 1.0;

    /**
     * How many ring within a minute of the one before.
     *
     * @param  list<float>  $moments  in any order, min
     */
    public static function atOnce(array $moments): int
    {
        sort($moments);
        $atOnce = 0;
        foreach ($moments as $i => $moment) {
            $atOnce += $i > 0 && $moment - $moments[$i - 1] < self::AT_ONCE_MIN ? 1 : 0;
        }

        return $atOnce;
    }
}
