<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Barrel\SoakTrackResult;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Slots;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Run\RunState;

/**
 * The soak of a full barrel by its zones as they are read: heat.soak_track, times what this machine takes over the
 * physics. The coldest of the zones counts, averaged over a third of a minute: what is cold there comes out as lumps.
 */
final readonly class SoakClock
{
    public const CHANNELS = ['barrel_c', 'zone_1_c', 'zone_2_c', 'zone_3_c'];

    private const OVER_S = 20.0;

    private const ROOM_C = 20.0;

    /** a wall that was not read for so long is the model's, s */
    private const SILENT_S = 120.0;

    public function __construct(private Registry $calculations)
    {
    }

    /** @return list<Clock> of a barrel that soaks now */
    public static function running(RunState $state): array
    {
        $timer = $state->timers['soak'] ?? null;

        return $timer === null || $timer['answered_at'] !== null
            ? []
            : [new Clock(null, 'soak', $timer['started_at'], $timer['ends_at'], self::CHANNELS, self::fed($state))];
    }

    /**
     * How hot the charge went in: the loads by their mass, one that says nothing as cold as the room.
     *
     * @return array<string, float> nothing where none went in hot
     */
    private static function fed(RunState $state): array
    {
        $loads = array_column(
            array_filter($state->entries, static fn (array $e): bool => $e['entry'] === 'load'),
            'values',
        );
        $mass = array_sum(array_column($loads, 'mass_g'));
        if (array_column($loads, 'feed_c') === [] || $mass <= 0) {
            return [];
        }
        $heat = 0.0;
        foreach ($loads as $load) {
            $of = new Record($load);
            $heat += $of->number('mass_g') * ($of->mayNumber('feed_c') ?? self::ROOM_C);
        }

        return ['feed_c' => $heat / $mass];
    }

    /**
     * @param  array<string, list<array{float, float}>>  $readings  by channel: seconds since 1970 UTC and °C, in order
     * @param  array<array-key, mixed>  $input  of heat.barrel_soak as planned, and the factor of the machine
     * @return Tracked|null where nothing was read of late, or nobody knows what the barrel is
     */
    public function by(Clock $clock, array $readings, array $input, float $now): ?Tracked
    {
        $wall = self::coldest($clock, $readings);
        $newest = end($wall);
        if ($newest === false || $newest['t_s'] < 0 || $input === []) {
            return null;
        }
        $said = $input['soak_factor'] ?? null;
        $factor = is_numeric($said) ? max(0.05, (float) $said) : 1.0;
        unset($input['soak_factor']);
        $since = $now - $clock->from;
        $track = $this->calculations->run('heat.soak_track', [
            'now_s' => max(0.0, $since),
            'readings' => $wall,
            'fraction_refilled' => 1.0,
        ] + $clock->really + $input);
        assert($track instanceof SoakTrackResult);
        $ready = $track->ready_s === null ? null : $clock->from + $factor * $track->ready_s;
        $silent = $since - $newest['t_s'];

        return Tracked::of(
            $clock,
            $track->because,
            $silent > self::SILENT_S ? sprintf('The barrel has not been read for %.0f min.', $silent / 60) : null,
            $track->axis_now_c,
            $ready,
            $track->as_if_s,
        );
    }

    /**
     * @param  array<string, list<array{float, float}>>  $readings
     * @return list<array{t_s: float, wall_c: float}> since the charge went in
     */
    private static function coldest(Clock $clock, array $readings): array
    {
        return array_map(
            static fn (array $slot): array => ['t_s' => $slot[0], 'wall_c' => min($slot[1])],
            Slots::of($clock, $readings, self::OVER_S),
        );
    }
}
