<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

/** The standard normal distribution. */
final class Normal
{
    /**
     * Share above z, by the complementary error function of Press et al., Numerical Recipes, relative error below
     * 1.2e-7.
     */
    public static function tail(float $z): float
    {
        $x = $z / M_SQRT2;
        $t = 1 / (1 + 0.5 * abs($x));
        $poly = -1.26551223 + $t * (
            1.00002368 + $t * (
                0.37409196 + $t * (
                    0.09678418 + $t * (
                        -0.18628806 + $t * (
                            0.27886807 + $t * (-1.13520398 + $t * (1.48851587 + $t * (-0.82215223 + $t * 0.17087277)))
                        )
                    )
                )
            )
        );
        $erfc = $t * exp(-$x * $x + $poly);

        return ($x >= 0 ? $erfc : 2 - $erfc) / 2;
    }

    /** Ln of the share below z, also where that share is too small for a number. */
    public static function logCdf(float $z): float
    {
        // Far out by the first terms of the asymptotic series (Abramowitz and Stegun 26.2.12).
        return $z > -30 ? log(self::tail(-$z)) : -0.5 * $z * $z - log(-$z * sqrt(2 * M_PI)) - 1 / ($z * $z);
    }
}
