<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;

/**
 * t = V/S·ln((p0 − pu)/(pt − pu)): constant pumping speed S and ultimate pressure pu, isothermal. Real pumps slow down
 * towards their ultimate pressure, and hoses throttle.
 */
#[Calc('vacuum.pump_down', 'how long a pump takes')]
final class PumpDown
{
    public function __invoke(PumpDownInput $in): PumpDownResult
    {
        $lag = 60 * $in->volume_l / $in->speed_l_min;
        $s = $lag * log(($in->start_kpa - $in->ultimate_kpa) / ($in->target_kpa - $in->ultimate_kpa));
        $inTime = $in->form_within_s === null ? null : $s <= $in->form_within_s;
        $end = 1.15 * max($s, $in->form_within_s ?? 0.0);
        $curve = array_map(
            static fn (int $i): PressurePoint => new PressurePoint(
                $end * $i / 60,
                $in->ultimate_kpa + ($in->start_kpa - $in->ultimate_kpa) * exp(-$end * $i / 60 / $lag),
            ),
            range(0, 60),
        );

        return (new PumpDownResult(
            $s,
            $inTime,
            $curve,
        ))->explain(sprintf('%.0f s from %.1f to %.1f kPa%s.', $s, $in->start_kpa, $in->target_kpa, match ($inTime) {
            null => '',
            true => sprintf(': in time for a sheet that can be formed for %.0f s', $in->form_within_s),
            false => sprintf(
                ': too slow for a sheet that can be formed for %.0f s. Pump a tank down first',
                $in->form_within_s,
            ),
        }));
    }
}
