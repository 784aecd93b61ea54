<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Numerics\LeastSquares;

/**
 * A barrel's charge as it really heats: heat.barrel_soak with its wall at the temperatures that were read, up to now.
 * Over each interval the wall has the mean of both its ends. From now on a wall under its set-point that rises goes on
 * rising as in its last five minutes until it is there; one that stands or falls stays where it is, which is what a
 * dead band does at best. Before the first reading the wall is taken at its set-point.
 */
#[Calc(
    'heat.soak_track',
    'the charge in a barrel as it really heats, from the wall as it was measured',
    size: 'barrel_diameter_mm',
)]
final readonly class SoakTrack
{
    /** what is looked at for how the wall goes on, s */
    private const LOOK_BACK_S = 300.0;

    /** K/s: slower than that it stands */
    private const RISES = 0.005;

    /** steps by which a rising wall is followed, s */
    private const STEP_S = 20.0;

    private const LIMIT_S = 172_800.0;

    private BarrelSoak $soak;

    public function __construct(PolymerLibrary $polymers)
    {
        $this->soak = new BarrelSoak($polymers);
    }

    public function __invoke(SoakTrackInput $in): SoakTrackResult
    {
        $plan = ($this->soak)($in->soak);
        $target = $plan->target_c;
        [$stack, $wall] = $this->soak->charge($in->soak);
        $readings = self::since($in);
        $ready = null;
        $before = [0.0, $stack->leftSurface()];
        $watch = static function (Stack $s) use ($target, &$ready, &$before): bool {
            $axis = $s->leftSurface();
            if ($ready === null && $axis >= $target) {
                $share = ($target - $before[1]) / max($axis - $before[1], 1e-9);
                $ready = $before[0] + ($s->time - $before[0]) * $share;
            }
            $before = [$s->time, $axis];

            return false;
        };
        foreach ($readings as $i => $reading) {
            $next = $readings[$i + 1] ?? null;
            if ($next === null) {
                break;
            }
            $wall->temperature = ($reading->wall_c + $next->wall_c) / 2;
            $stack->run($next->t_s, $watch);
        }
        $last = $readings[count($readings) - 1];
        $wall->temperature = $last->wall_c;
        $stack->run(max($stack->time, $in->now_s), $watch);
        $axis = $stack->leftSurface();
        $rate = self::rate($readings, $in->now_s);
        if ($ready === null) {
            $ready = $this->ahead($stack, $wall, $target, $rate, $in->soak->wall_c);
        }

        return $this->say(new SoakTrackResult(
            $ready,
            60 * $plan->soak_min_full,
            $axis,
            $last->wall_c,
            $target,
            $this->asIf($in->soak, $axis, 60 * $plan->soak_min_full),
            self::why($last->wall_c, $rate, $in->soak->wall_c, $ready, $target),
        ));
    }

    private function say(SoakTrackResult $result): SoakTrackResult
    {
        return $result->explain(sprintf(
            'The axis is at %.0f °C, and has to get to %.0f: %s',
            $result->axis_now_c,
            $result->target_c,
            $result->ready_s === null
                ? 'that does not come by itself.'
                : sprintf(
                    'after %.1f min instead of %.1f. %s',
                    $result->ready_s / 60,
                    $result->planned_s / 60,
                    $result->because,
                ),
        ));
    }

    private static function why(float $wall, ?float $rate, float $set, ?float $ready, float $target): string
    {
        $under = $set - $wall;

        return match (true) {
            $ready === null => sprintf(
                'The wall stands at %.0f °C, too cold for %.0f °C in the middle: look at the bands.',
                $wall,
                $target,
            ),
            $under > 3.0 && $rate !== null && $rate > self::RISES => sprintf(
                'The wall is %.0f K under its set-point and rises %.1f K a minute.',
                $under,
                60 * $rate,
            ),
            $under > 3.0 => sprintf('The wall stands %.0f K under its set-point.', $under),
            $under < -3.0 => sprintf('The wall is %.0f K over its set-point.', -$under),
            default => 'The wall is at its set-point.',
        };
    }

    /**
     * Readings from the moment that the charge went in, the first one at that moment.
     *
     * @return non-empty-list<ZoneReading>
     */
    private static function since(SoakTrackInput $in): array
    {
        $start = $in->soak->wall_c;
        $since = [];
        foreach ($in->readings as $reading) {
            if ($reading->t_s > $in->now_s) {
                break;
            }
            if ($reading->t_s <= 0.0) {
                $start = $reading->wall_c;
            } else {
                $since[] = $reading;
            }
        }

        return [new ZoneReading(0.0, $start), ...$since];
    }

    /**
     * How the wall went of late, K/s; null where too little was read to say.
     *
     * @param  list<ZoneReading>  $readings
     */
    private static function rate(array $readings, float $now): ?float
    {
        $rows = $values = [];
        foreach ($readings as $reading) {
            if ($reading->t_s >= $now - self::LOOK_BACK_S) {
                $rows[] = [1.0, $reading->t_s - $now];
                $values[] = $reading->wall_c;
            }
        }
        $line = count($rows) < 3 ? null : LeastSquares::solve($rows, $values);

        return $line === null ? null : $line['x'][1];
    }

    /** When the axis gets there from now on; null when it does not. */
    private function ahead(Stack $stack, Held $wall, float $target, ?float $rate, float $set): ?float
    {
        $rises = $rate !== null && $rate > self::RISES;
        while ($rises && $wall->temperature < $set) {
            $wall->temperature = min($set, $wall->temperature + $rate * self::STEP_S);
            $until = $stack->time + self::STEP_S;
            $ready = Crossing::time($stack, $until, static fn (Stack $s): float => $s->leftSurface() - $target);
            if ($ready !== null) {
                return $ready;
            }
        }
        if ($wall->temperature <= $target + 1e-6) {
            return null;
        }

        return Crossing::time($stack, self::LIMIT_S, static fn (Stack $s): float => $s->leftSurface() - $target);
    }

    private function asIf(BarrelSoakInput $in, float $axis, float $planned): float
    {
        [$stack] = $this->soak->charge($in);

        return Crossing::time($stack, $planned, static fn (Stack $s): float => $s->leftSurface() - $axis) ?? $planned;
    }
}
