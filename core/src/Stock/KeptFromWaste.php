<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Numerics\Median;

/**
 * What one part keeps from waste: its mass times the share, by mass, of the lots it is of that would have been waste.
 */
final readonly class KeptFromWaste
{
    /**
     * @param  list<array{float, bool}>  $lots  grams that a run took of each, and whether that would have been waste
     * @param  list<float>  $weighed  g, parts of it that somebody weighed
     * @return float|null g, of the part in the middle; null where none was weighed, or nobody knows what it is of
     */
    public static function grams(array $lots, array $weighed): ?float
    {
        $all = array_sum(array_column($lots, 0));
        if ($weighed === [] || $all <= 0.0) {
            return null;
        }
        $waste = array_sum(array_map(static fn (array $lot): float => $lot[1] ? $lot[0] : 0.0, $lots));

        return Median::of($weighed) * $waste / $all;
    }
}
