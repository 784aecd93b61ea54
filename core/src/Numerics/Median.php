<?php

declare(strict_types=1);

namespace Dithermic\Core\Numerics;

/** The one in the middle, or the mean of the two. */
final class Median
{
    /** @param  non-empty-list<float>  $values  in any order */
    public static function of(array $values): float
    {
        sort($values);
        $last = count($values) - 1;

        return ($values[intdiv($last, 2)] + $values[intdiv($last + 1, 2)]) / 2;
    }
}
