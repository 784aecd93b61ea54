<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Calc;

/**
 * Conditioning of polyamide: Fick's second law for a plane sheet wetted on both faces (Crank 1975),
 * M/M∞ = 1 − Σ 8/((2n+1)²π²)·exp(−D(2n+1)²π²t/l²), solved for t by bisection. Constant diffusivity; edges not counted.
 */
#[Calc('condition.polyamide', 'how long until a polyamide part has taken up its water')]
final class Condition
{
    public function __invoke(ConditionInput $in): ConditionResult
    {
        $l = $in->thickness_mm / 1000;
        $d = $in->route->diffusivity();
        $taken = static function (float $t) use ($l, $d): float {
            $left = 0.0;
            for ($n = 0; $n < 60; $n++) {
                $k = ((2 * $n + 1) * M_PI) ** 2;
                $left += 8 / $k * exp(-$d * $k * $t / ($l * $l));
            }

            return 1 - $left;
        };
        $low = 0.0;
        $high = $l * $l / $d;
        while ($taken($high) < $in->fraction) {
            $high *= 2;
        }
        for ($i = 0; $i < 80; $i++) {
            $middle = ($low + $high) / 2;
            $taken($middle) < $in->fraction ? $low = $middle : $high = $middle;
        }
        $hours = ($low + $high) / 7200;

        return (new ConditionResult($hours))->explain(sprintf('%s until %.0f %% of the water is in. Parts come out dry and brittle and get tougher.', $hours > 72 ? sprintf('%.0f days', $hours / 24) : sprintf('%.1f h', $hours), 100 * $in->fraction));
    }
}
