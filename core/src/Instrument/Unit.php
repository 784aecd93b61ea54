<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

/** What a channel is read in, as the end of its name says it: `platen_top_c` is read in °C. */
final class Unit
{
    /** end of a name => unit; of two that fit the longer counts */
    private const ENDS = [
        'mbar_l_s' => 'mbar·l/s', 'l_min' => 'l/min', 'mm_s' => 'mm/s', 'kg_h' => 'kg/h', 'k_min' => 'K/min',
        'kpa' => 'kPa', 'bar' => 'bar', 'mbar' => 'mbar', 'c' => '°C', 'k' => 'K', 'kn' => 'kN', 'n' => 'N',
        'nm' => 'Nm',
        'kw' => 'kW', 'w' => 'W', 'kwh' => 'kWh', 'a' => 'A', 'v' => 'V', 'pct' => '%', 'rpm' => '1/min', 'mm' => 'mm',
        'm' => 'm', 'kg' => 'kg', 'g' => 'g', 's' => 's', 'min' => 'min', 'l' => 'l', 'deg' => '°',
    ];

    /** Empty where the name ends in no unit: a count, a state. */
    public static function of(string $key): string
    {
        $parts = explode('_', $key);
        for ($from = max(1, count($parts) - 3); $from < count($parts); $from++) {
            $unit = self::ENDS[implode('_', array_slice($parts, $from))] ?? null;
            if ($unit !== null) {
                return $unit;
            }
        }

        return '';
    }
}
