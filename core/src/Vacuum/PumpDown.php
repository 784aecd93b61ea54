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
        $s = 60 * $in->volume_l / $in->speed_l_min * log(($in->start_kpa - $in->ultimate_kpa) / ($in->target_kpa - $in->ultimate_kpa));

        return (new PumpDownResult($s))->explain(sprintf('%.0f s from %.1f to %.1f kPa.', $s, $in->start_kpa, $in->target_kpa));
    }
}
