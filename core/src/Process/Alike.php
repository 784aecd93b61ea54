<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/**
 * Pieces that are made of the same lots, told together: most of a run is, but for those between one lot and the next.
 */
final class Alike
{
    /**
     * @param  array<int, array<string, float>>  $madeOf  shares by piece and by lot
     * @return list<array{int, int, array<string, float>}> the first and the last piece, and their shares to a hundredth, most
     *                                                  first; less than half a hundredth is none
     */
    public static function in(array $madeOf): array
    {
        ksort($madeOf);
        $told = [];
        $first = $before = null;
        foreach ($madeOf as $piece => $of) {
            $shares = array_filter(array_map(static fn (float $share): float => round($share, 2), $of));
            arsort($shares);
            if ($shares !== $before) {
                $first = $piece;
                $before = $shares;
            }
            $told[$first] = [$first, $piece, $shares];
        }

        return array_values($told);
    }
}
