<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Numerics\LeastSquares;

/**
 * The moment at which a pressure that changed slowly begins to fall: a line up to the hinge, and from there, joined to
 * it, an exponential approach to a lower pressure,
 *
 *     p(t) = a + b·(t − h) − d·(1 − exp(−(t − h)/τ)) for t > h,   a + b·(t − h) before.
 *
 * For given h and τ that is linear in a, b and d; h and τ are searched for the least squares. Good to a fraction of the
 * reading's interval where the fall over one interval is well above the noise.
 */
final readonly class Hinge
{
    private const TAUS = 14;

    private const FINE = 60;

    /** @param  float  $at  s */
    private function __construct(public float $at, public float $error, public float $fall)
    {
    }

    /**
     * @param  list<float>  $t  s, ascending
     * @param  list<float>  $p  kPa, as many
     */
    public static function within(array $t, array $p, float $from, float $to): ?self
    {
        $span = end($t) - $t[0];
        $step = $span / max(1, count($t) - 1);
        $best = null;
        // Coarse over the whole of it, then fine around the best.
        foreach ([[$from, $to], null] as $range) {
            if ($range === null) {
                if ($best === null) {
                    return null;
                }
                $wide = max($step, ($to - $from) / self::FINE);
                $range = [max($from, $best->at - $wide), min($to, $best->at + $wide)];
            }
            for ($i = 0; $i <= self::FINE; $i++) {
                $at = $range[0] + ($range[1] - $range[0]) * $i / self::FINE;
                for ($k = 0; $k < self::TAUS; $k++) {
                    $tau = max($step, 0.02) * (20 * $span / max($step, 0.02)) ** ($k / (self::TAUS - 1)) / 2;
                    $fit = self::fit($t, $p, $at, $tau);
                    if ($fit !== null && ($best === null || $fit->error < $best->error)) {
                        $best = $fit;
                    }
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $p
     */
    private static function fit(array $t, array $p, float $at, float $tau): ?self
    {
        $basis = [];
        foreach ($t as $time) {
            $since = $time - $at;
            $basis[] = [1.0, $since, $since > 0 ? exp(-$since / $tau) - 1 : 0.0];
        }
        $found = LeastSquares::solve($basis, $p);
        if ($found === null || $found['x'][2] <= 0) {
            return null;
        }

        return new self($at, $found['error'], $found['x'][2]);
    }
}
