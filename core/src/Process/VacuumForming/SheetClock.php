<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Sheet\SheetTrackResult;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Slots;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/**
 * The heating of a sheet by its heater as it is read: heat.sheet_track, times what this heater takes over the physics,
 * and later by what the looks at it cost. Channels of one heater are one: averaged over five seconds.
 */
final readonly class SheetClock
{
    public const CHANNELS = ['heater_c', 'heater_1_c', 'heater_2_c', 'heater_3_c'];

    private const OVER_S = 5.0;

    /** a heater that was not read for so long is the model's, s */
    private const SILENT_S = 45.0;

    /** of a minute or two under the heater, s */
    private const NEAR_S = 4.0;

    private const STEP_S = 5.0;

    public function __construct(private Registry $calculations)
    {
    }

    /** @return list<Clock> of sheets that are under the heater now */
    public static function running(RunState $state): array
    {
        return array_map(static fn (Thread $of): Clock => new Clock(
            $of->piece,
            'heat',
            $of->timers['heat']['started_at'],
            $of->timers['heat']['ends_at'],
            self::CHANNELS,
            ['looks' => (float) self::looks($state, $of), 'again' => (float) $state->count('again', $of->piece)],
            self::NEAR_S,
            self::STEP_S,
        ), $state->threadsOf('heat'));
    }

    /** At a sheet since it came under the heater. */
    private static function looks(RunState $state, Thread $of): int
    {
        return count(array_filter($state->entries, static fn (array $e): bool => $e['entry'] === 'look'
            && $e['piece'] === $of->piece
            && $e['at'] >= $of->timers['heat']['started_at']));
    }

    /**
     * @param  array<string, list<array{float, float}>>  $readings  by channel: seconds since 1970 UTC and °C, in order
     * @param  array<array-key, mixed>  $input  of heat.vacuum_sheet as planned, with `heat_factor` and `look_cost_s`
     * @return Tracked|null where nothing was read of late, or nobody knows the heater
     */
    public function by(Clock $clock, array $readings, array $input, float $now): ?Tracked
    {
        $heater = self::mean($clock, $readings);
        $newest = end($heater);
        if ($newest === false || $newest['t_s'] < 0 || ! isset($input['heater_c'])) {
            return null;
        }
        $factor = max(0.05, self::number($input, 'heat_factor', 1.0));
        $lost = ($clock->really['looks'] ?? 0.0) * self::number($input, 'look_cost_s', 0.0);
        $since = max(0.0, $now - $clock->from);
        $under = max(0.0, ($since - $lost) / $factor);
        // Nobody heats a sheet that long: it was forgotten, or it stands over night.
        if ($under > VacuumSheet::LIMIT_S) {
            return null;
        }
        // One that is formed again came warm off the mould.
        if (($clock->really['again'] ?? 0.0) > 0.0 && isset($input['again_c'])) {
            $input['initial_c'] = $input['again_c'];
        }
        $track = $this->calculations->run('heat.sheet_track', [
            'now_s' => $under,
            'readings' => array_values(array_filter(
                array_map(static fn (array $r): array => ['t_s' => ($r['t_s'] - $lost) / $factor] + $r, $heater),
                static fn (array $r): bool => $r['t_s'] <= $under,
            )),
        ] + array_diff_key($input, ['heat_factor' => 0, 'look_cost_s' => 0, 'again_c' => 0]));
        assert($track instanceof SheetTrackResult);
        $ready = $track->ready_s === null ? null : $clock->from + $lost + $factor * $track->ready_s;
        $silent = $since - $newest['t_s'];

        return Tracked::of(
            $clock,
            $track->because,
            $silent > self::SILENT_S ? sprintf('The heater has not been read for %.0f s.', $silent) : null,
            $track->mean_now_c,
            $ready,
            $track->as_if_s,
            'Sheet',
        );
    }

    /**
     * @param  array<string, list<array{float, float}>>  $readings
     * @return list<array{t_s: float, heater_c: float}> since the sheet came under it
     */
    private static function mean(Clock $clock, array $readings): array
    {
        return array_map(
            static fn (array $slot): array => ['t_s' => $slot[0], 'heater_c' => Slots::mean($slot[1])],
            Slots::of($clock, $readings, self::OVER_S),
        );
    }

    /** @param  array<array-key, mixed>  $input */
    private static function number(array $input, string $name, float $else): float
    {
        $value = $input[$name] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : $else;
    }
}
