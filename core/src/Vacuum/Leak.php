<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;

/**
 * Leak rate = V·Δp/t. The vacuum (atmosphere − p) falls exponentially: half-life = t·ln 2/ln((atm − start)/(atm −
 * end)). Over 600 s tight, from 60 s usable, below leaky.
 */
#[Calc('vacuum.leak', 'how tight a tank or a seal is')]
final class Leak
{
    public function __invoke(LeakInput $in): LeakResult
    {
        $ratio = ($in->atmosphere_kpa - $in->start_kpa) / ($in->atmosphere_kpa - $in->end_kpa);
        $half = $ratio > 1 + 1e-12 ? $in->seconds * M_LN2 / log($ratio) : null;
        $verdict = match (true) {
            $half === null || $half > 600 => 'tight',
            $half >= 60 => 'usable',
            default => 'leaky',
        };

        return (new LeakResult(10 * $in->volume_l * ($in->end_kpa - $in->start_kpa) / $in->seconds, $half, $verdict))
            ->explain(
                $half === null
                    ? 'Nothing leaked.'
                    : sprintf(
                        'Half of the vacuum is gone after %s: %s.',
                        $half > 120 ? sprintf('%.0f min', $half / 60) : sprintf('%.0f s', $half),
                        $verdict,
                    ),
            );
    }
}
