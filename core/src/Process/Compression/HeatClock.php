<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Heat\Press\TrackResult;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Slots;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/**
 * The heating of a sheet by its platens as they are read: heat.track, with the soak of the plan kept after the middle
 * is hot. Both platens are one: what they read is averaged over a third of a minute, so that one thermocouple that is
 * lost, or is read more often, does not count more.
 */
final readonly class HeatClock
{
    public const CHANNELS = ['platen_top_c', 'platen_low_c', 'platen_c'];

    private const OVER_S = 20.0;

    /** a platen that was not read for so long is the model's, s */
    private const SILENT_S = 120.0;

    public function __construct(private Registry $calculations)
    {
    }

    /** @return list<Clock> of sheets that heat now */
    public static function running(RunState $state): array
    {
        return array_map(static fn (Thread $of): Clock => new Clock(
            $of->piece,
            'heat',
            $of->timers['heat']['started_at'],
            $of->timers['heat']['ends_at'],
            self::CHANNELS,
        ), $state->threadsOf('heat'));
    }

    /**
     * @param  array<string, list<array{float, float}>>  $readings  by channel: seconds since 1970 UTC and °C, in order
     * @param  array<array-key, mixed>  $input  of heat.press_cycle as planned
     * @return Tracked|null where nothing was read of late, or nobody knows what the press can do
     */
    public function by(Clock $clock, array $readings, array $input, float $now): ?Tracked
    {
        $platens = self::platens($clock, $readings);
        $newest = end($platens);
        if ($newest === false || $newest['t_s'] < 0 || ! isset($input['press'])) {
            return null;
        }
        $input = array_diff_key($input, ['with_profile' => 1, 'minutes_given' => 1, 'transfer_min' => 1]);
        $track = $this->calculations->run(
            'heat.track',
            ['now_s' => $now - $clock->from, 'readings' => $platens] + $input,
        );
        $plan = $this->calculations->run('heat.press_cycle', $input);
        assert($track instanceof TrackResult && $plan instanceof PressCycleResult);
        // What this press takes over the physics it takes here too.
        $factor = $plan->heat_min_calibrated / max(1e-9, $plan->heat_min);
        $ready = $track->ready_s === null ? null : $clock->from + $factor * $track->ready_s + 60 * $plan->soak_min;
        $silent = $now - $clock->from - $newest['t_s'];

        return Tracked::of(
            $clock,
            $track->because,
            $silent > self::SILENT_S
                ? sprintf('The platens have not been read for %.0f min: from there it is the model\'s.', $silent / 60)
                : null,
            $track->core_now_c,
            $ready,
            self::asIf($plan, $track->core_now_c),
        );
    }

    /**
     * @param  array<string, list<array{float, float}>>  $readings
     * @return list<array{t_s: float, platen_c: float}> since the sheet went in
     */
    private static function platens(Clock $clock, array $readings): array
    {
        return array_map(
            static fn (array $slot): array => ['t_s' => $slot[0], 'platen_c' => Slots::mean($slot[1])],
            Slots::of($clock, $readings, self::OVER_S),
        );
    }

    /** Seconds into the plan at which its middle is as hot; its end where it never is. */
    private static function asIf(PressCycleResult $plan, float $core): float
    {
        $before = null;
        foreach ($plan->curve as $point) {
            if ($point->core_c >= $core) {
                if ($before === null || $point->core_c - $before->core_c < 1e-9) {
                    return $point->time_s;
                }
                $share = ($core - $before->core_c) / ($point->core_c - $before->core_c);

                return $before->time_s + $share * ($point->time_s - $before->time_s);
            }
            $before = $point;
        }

        return 60 * ($plan->heat_min + $plan->soak_min);
    }
}
