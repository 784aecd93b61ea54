<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;

/**
 * Boyle's law for the tank opened to the box: p = (p_tank·V_tank + p_box·V_box)/(V_tank + V_box). Isothermal; the box is
 * the air under the sheet when the seal is made; leaks are not counted.
 */
#[Calc('vacuum.two_stage', 'blower first, then an evacuated tank')]
final class TwoStage
{
    public function __invoke(TwoStageInput $in): TwoStageResult
    {
        $mix = static fn (float $box): float => ($in->tank_kpa * $in->tank_l + $box * $in->box_l) / ($in->tank_l + $in->box_l);
        $after = $mix($in->blower_kpa);
        $needed = $in->target_kpa === null ? null : ($in->blower_kpa <= $in->target_kpa ? 0.0 : $in->box_l * ($in->blower_kpa - $in->target_kpa) / ($in->target_kpa - $in->tank_kpa));
        $pull = $in->atmosphere_kpa - $after;

        return (new TwoStageResult($in->blower_kpa, $after, $pull, $mix($in->atmosphere_kpa), $needed, $pull / 10))
            ->explain(sprintf('The tank takes it to %.1f kPa: %.1f N on each cm². Without the blower it would end at %.1f kPa.', $after, $pull / 10, $mix($in->atmosphere_kpa)));
    }
}
