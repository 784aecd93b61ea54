<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Numerics\Median;

/**
 * Whether something grows from piece to piece, and how fast: the median of all slopes between two of them (Theil 1950,
 * Sen 1968), taken for a trend where Kendall's S says that chance would give it in one of a hundred series at most
 * (Mann 1945; normal approximation with the correction for continuity, good from eight values on): it is asked again
 * after each piece. One wild reading moves neither. Values are equally far apart, the oldest first.
 */
final readonly class Trend
{
    /** fewer tell nothing */
    public const LEAST = 8;

    /** two-sided, one in a hundred */
    private const Z = 2.575829;

    /**
     * @param  float  $grown  from the first to the last, by the slope, in the values' unit
     * @param  bool  $isSure  by Kendall's test
     */
    private function __construct(public float $grown, public bool $isSure)
    {
    }

    /** @param  list<float>  $values */
    public static function of(array $values): self
    {
        $n = count($values);
        $slopes = [];
        $s = 0;
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                $slopes[] = ($values[$j] - $values[$i]) / ($j - $i);
                $s += $values[$j] <=> $values[$i];
            }
        }
        if ($slopes === []) {
            return new self(0.0, false);
        }
        $slope = Median::of($slopes);
        $z = (abs($s) - 1) / sqrt($n * ($n - 1) * (2 * $n + 5) / 18);

        return new self($slope * ($n - 1), $n >= self::LEAST && $z > self::Z);
    }
}
