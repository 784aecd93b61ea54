<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;

/**
 * Boyle's law for the tank opened to the box: p = (p_tank·V_tank + p_box·V_box)/(V_tank + V_box). Isothermal; the box
 * is the air under the sheet when the seal is made; leaks are not counted.
 *
 * Over time, when the flows are given: the blower at constant flow S draws the box towards its own pressure, p = pb +
 * (pa − pb)·exp(−S·t/V); at 98 % of that the tank is opened and both even out through a constant conductance C, with
 * the lag V_box·V_tank/(V_box + V_tank)/C. Real blowers and hoses slow down at the end.
 */
#[Calc('vacuum.two_stage', 'blower first, then an evacuated tank')]
final class TwoStage
{
    /** What the blower has left to do when the tank is opened. */
    private const LEFT = 0.02;

    public function __invoke(TwoStageInput $in): TwoStageResult
    {
        $mix = static fn (float $box): float => (
            $in->tank_kpa * $in->tank_l + $box * $in->box_l
        ) / ($in->tank_l + $in->box_l);
        $after = $mix($in->blower_kpa);
        $needed = $in->target_kpa === null
            ? null
            : (
                $in->blower_kpa <= $in->target_kpa
                    ? 0.0
                    : $in->box_l * ($in->blower_kpa - $in->target_kpa) / ($in->target_kpa - $in->tank_kpa)
            );
        $pull = $in->atmosphere_kpa - $after;
        [$opens, $reached, $curve] = $this->overTime($in, $mix);
        $inTime = $in->form_within_s === null || $in->target_kpa === null || $opens === null
            ? null
            : $reached !== null && $reached <= $in->form_within_s;

        return (new TwoStageResult(
            $in->blower_kpa,
            $after,
            $pull,
            $mix($in->atmosphere_kpa),
            $needed,
            $pull / 10,
            $opens,
            $reached,
            $inTime,
            $curve,
        ))
            ->explain(sprintf('The tank takes it to %.1f kPa: %.1f N on each cm². Without the blower it would end at %.1f kPa.%s', $after, $pull / 10, $mix($in->atmosphere_kpa), match (true) {
                $opens === null || $in->target_kpa === null => '',
                $reached === null => sprintf(' It never gets to %.1f kPa: a larger or deeper tank.', $in->target_kpa),
                default => sprintf(' %.1f kPa after %.1f s%s.', $in->target_kpa, $reached, match ($inTime) {
                    null => '',
                    true => sprintf(', in time for a sheet that can be formed for %.0f s', $in->form_within_s),
                    false => sprintf(', too late for a sheet that can be formed for %.0f s', $in->form_within_s),
                }),
            }));
    }

    /**
     * @param  callable(float): float  $mix
     * @return array{float|null, float|null, list<PressurePoint>} when the tank opens, when the target is there, and the curve
     */
    private function overTime(TwoStageInput $in, callable $mix): array
    {
        if ($in->blower_l_min === null || $in->valve_l_min === null) {
            return [null, null, []];
        }
        $lag1 = 60 * $in->box_l / $in->blower_l_min;
        $drop = $in->atmosphere_kpa - $in->blower_kpa;
        $opens = $drop > 0 ? -$lag1 * log(self::LEFT) : 0.0;
        $then = $in->blower_kpa + self::LEFT * $drop;
        $end = $mix($then);
        $lag2 = 60 * $in->box_l * $in->tank_l / ($in->box_l + $in->tank_l) / $in->valve_l_min;
        $at = static fn (float $t): float => $t < $opens
            ? $in->blower_kpa + $drop * exp(-$t / $lag1)
            : $end + ($then - $end) * exp(-($t - $opens) / $lag2);
        $target = $in->target_kpa;
        $reached = match (true) {
            $target === null => null,
            $target >= $in->atmosphere_kpa => 0.0,
            $target >= $then => $lag1 * log($drop / ($target - $in->blower_kpa)),
            $target <= $end => null,
            default => $opens + $lag2 * log(($then - $end) / ($target - $end)),
        };
        $last = 1.15 * max($opens + 5 * $lag2, $in->form_within_s ?? 0.0);

        return [
            $opens,
            $reached,
            array_map(
                static fn (int $i): PressurePoint => new PressurePoint($last * $i / 90, $at($last * $i / 90)),
                range(0, 90),
            ),
        ];
    }
}
