<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

/**
 * What a logger writes of a barrel, or of a heater, that is heated from the room's temperature:
 * T = set − (set − room)·exp(−t/lag), a first-order lag (Ogunnaike & Ray, Process Dynamics, Modeling and Control), with
 * the noise of its thermocouple.
 */
final readonly class Warming
{
    private const EVERY_S = 60.0;

    private const ROOM_C = 20.0;

    /**
     * @param  float  $lagS  of bands and steel, s
     * @param  float  $noiseK  of the thermocouple
     * @param  float|null  $since  it has been heated; from the first moment on unless given, s
     * @return list<array{at: float, place: string, channel: string, value: float}>
     */
    public static function readings(
        Dice $dice,
        float $setC,
        float $lagS,
        float $noiseK,
        float $from,
        float $to,
        ?float $since = null,
        string $place = 'barrel',
        string $channel = 'barrel_c',
        float $everyS = self::EVERY_S,
    ): array {
        $readings = [];
        for ($t = $from; $t < $to; $t += $everyS) {
            $zone = $setC - ($setC - self::ROOM_C) * exp(-($t - ($since ?? $from)) / $lagS);
            $readings[] = [
                'at' => $t,
                'place' => $place,
                'channel' => $channel,
                'value' => round($zone + $dice->normal(0, $noiseK), 1),
            ];
        }

        return $readings;
    }
}
