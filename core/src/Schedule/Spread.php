<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/**
 * How long runs really took over what was planned: what may be promised. The range holds the middle eight of ten
 * (quantiles by linear interpolation; Hyndman & Fan, The American Statistician 50 (1996) 361, type 7); with fewer than
 * FEW runs it is the widest that shops see, as nothing is known yet.
 */
final readonly class Spread
{
    private const FEW = 4;

    private const UNKNOWN = [0.9, 1.6];

    /** what took longer than this many times its plan stood over night, or was forgotten */
    private const MOST_TIMES = 4.0;

    public function __construct(public float $least, public float $most, public int $runs)
    {
    }

    /** Whether it is from runs of the shop's own. */
    public function isKnown(): bool
    {
        return $this->runs >= self::FEW;
    }

    /**
     * Of how long something took and was planned, min: what stood over night, or has neither, tells nothing.
     *
     * @param  list<array{float, float}>  $times  took, planned
     */
    public static function ofTimes(array $times): self
    {
        $told = array_filter(
            $times,
            static fn (array $t): bool => $t[1] > 0.0 && $t[0] > 0.0 && $t[0] < self::MOST_TIMES * $t[1],
        );

        return self::of(array_values(array_map(static fn (array $t): float => $t[0] / $t[1], $told)));
    }

    /** @param  list<float>  $ratios  done over planned */
    public static function of(array $ratios): self
    {
        $count = count($ratios);
        if ($count < self::FEW) {
            return new self(self::UNKNOWN[0], self::UNKNOWN[1], $count);
        }
        sort($ratios);
        $quantile = static function (float $share) use ($ratios, $count): float {
            $at = $share * ($count - 1);
            $low = (int) floor($at);

            return $ratios[$low] + ($at - $low) * ($ratios[min($low + 1, $count - 1)] - $ratios[$low]);
        };

        return new self(round($quantile(0.1), 3), round($quantile(0.9), 3), $count);
    }
}
