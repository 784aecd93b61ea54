<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Calc;

/**
 * Conditioning of polyamide: Fick's second law for a plane sheet wetted on both faces (Crank 1975),
 * M/M∞ = 1 − Σ 8/((2n+1)²π²)·exp(−D(2n+1)²π²t/l²), solved for t by bisection. While the faces do not know of one another
 * it is 4·√(D·t/(π·l²)), to 1e-7 below SHORT, where the sum would need ever more of its terms. Constant diffusivity;
 * edges not counted.
 */
#[Calc('condition.polyamide', 'how long until a polyamide part has taken up its water')]
final class Condition
{
    /** share of the water that is in before the two faces meet */
    private const SHORT = 0.3;

    /** terms of the sum: the last is nothing from SHORT on */
    private const TERMS = 12;

    public function __invoke(ConditionInput $in): ConditionResult
    {
        $physics = self::hours($in, $in->fraction);
        $usable = $in->route->usableFraction();
        $enough = self::hours($in, $usable);
        $hours = $in->shop_hours ?? $physics;

        return (new ConditionResult($hours, $physics, $usable, $enough))->explain(sprintf(
            '%s until %.0f %% of the water is in, %s until it is tough enough to use (about %.0f %%).%s Parts come out dry and brittle and get tougher.',
            self::words($physics), 100 * $in->fraction, self::words($enough), 100 * $usable,
            $in->shop_hours === null ? '' : sprintf(' Your rule is %s.', self::words($in->shop_hours)),
        ));
    }

    private static function words(float $hours): string
    {
        return match (true) {
            $hours > 72 => sprintf('%.0f days', $hours / 24),
            $hours < 1 => sprintf('%.0f min', 60 * $hours),
            default => sprintf('%.1f h', $hours),
        };
    }

    private static function hours(ConditionInput $in, float $fraction): float
    {
        $l = $in->thickness_mm / 1000;
        $d = $in->route->diffusivity();
        if ($fraction < self::SHORT) {
            return M_PI / 16 * ($fraction * $l) ** 2 / $d / 3600;
        }
        $taken = static function (float $t) use ($l, $d): float {
            $left = 0.0;
            for ($n = 0; $n < self::TERMS; $n++) {
                $k = ((2 * $n + 1) * M_PI) ** 2;
                $left += 8 / $k * exp(-$d * $k * $t / ($l * $l));
            }

            return 1 - $left;
        };
        $low = 0.0;
        $high = $l * $l / $d;
        while ($taken($high) < $fraction) {
            $high *= 2;
        }
        for ($i = 0; $i < 80; $i++) {
            $middle = ($low + $high) / 2;
            $taken($middle) < $fraction ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 7200;
    }
}
