<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;

/**
 * ISO 2533 standard atmosphere, troposphere: p = 101.325·(1 − 0.0065·H/288.15)^5.255876, H geopotential, −500 to 11 000
 * m. Weather moves it by ±3 %.
 */
#[Calc('vacuum.atmosphere', 'air pressure at an altitude')]
final class Atmosphere
{
    public function __invoke(AtmosphereInput $in): AtmosphereResult
    {
        $p = 101.325 * (1 - 0.0065 * $in->altitude_m / 288.15) ** 5.25587611;

        return (new AtmosphereResult($p))->explain(sprintf(
            'A perfect vacuum pulls with %.1f kPa there, on a usual day.',
            $p,
        ));
    }
}
