<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * Force = gauge · ram area · rams; sheet pressure = force / sheet area. 1 bar = 0.1 N/mm2.
 */
#[Calc('force.press', 'force of a press and pressure on the sheet')]
final class Press
{
    public function __invoke(PressInput $in): PressResult
    {
        $rams = $in->force_kn === null ? $in->rams * M_PI * (float) $in->ram_diameter_mm ** 2 / 4 : null;
        $force = $in->force_kn ?? (float) $in->gauge_bar * 0.1 * (float) $rams / 1000;
        $area = $in->length_mm * $in->width_mm;
        $needed = $in->wanted_bar === null || $rams === null ? null : $in->wanted_bar * $area / $rams;

        return (new PressResult($force, 10000 * $force / $area, $needed))->explain(sprintf(
            '%.0f kN press the sheet with %.1f bar%s.',
            $force,
            10000 * $force / $area,
            $needed === null ? '' : sprintf('; %.1f bar need %.0f bar on the gauge', $in->wanted_bar, $needed),
        ));
    }
}
