<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * Plunger force = hand force · long arm / short arm, or torque · ratio / drum radius; pressure = force / bore area.
 * Arms from the pivot; no friction taken off, so the real pressure is lower.
 */
#[Calc('force.lever_injection', 'injection pressure from a hand lever or a motor and drum')]
final class LeverInjection
{
    public function __invoke(LeverInput $in): LeverResult
    {
        $force = $in->torque_nm !== null
            ? $in->torque_nm * $in->ratio / ((float) $in->drum_radius_mm / 1000)
            : (float) $in->hand_force_n * (float) $in->lever_long_mm / (float) $in->lever_short_mm;
        $bar = $force / (M_PI * $in->plunger_diameter_mm ** 2 / 4) * 10;

        return (new LeverResult($force / 1000, $bar))->explain(sprintf(
            '%.1f kN on the plunger make %.0f bar in the melt, friction not taken off.',
            $force / 1000,
            $bar,
        ));
    }
}
