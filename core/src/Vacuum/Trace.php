<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Numerics\LeastSquares;

/**
 * What a gauge saw of a pull. The sheet closes where the pressure begins to fall (Hinge); a second stage is where it
 * falls faster again, which one stage, an exponential approach to its own end, never does. After the last stage the
 * pressure is an exponential and a straight rise; the rise tells a leak. Good to about a third of the gauge's interval
 * when the noise is a few tenths of a kPa; a gauge slower than the pull knows no better than its own interval.
 */
#[Calc('vacuum.trace', 'a pull from its gauge: when it sealed, when the tank came, how deep, and whether it leaks')]
final readonly class Trace
{
    /** what a sheet that is not closed never reaches, kPa under the air */
    private const SEAL_KPA = 5.0;

    /** kPa/min */
    private const LEAK_KPA_MIN = 5.0;

    /** readings that the rise is read from */
    private const RISE_FROM = 1000;

    /** a second stage takes at least so much away, kPa */
    private const STAGE_KPA = 6.0;

    /** a pull is followed until it has settled: its time constant is at most this share of that */
    private const SLOWEST = 0.25;

    public function __invoke(TraceInput $in): TraceResult
    {
        $t = array_map(static fn (TraceReading $r): float => $r->t_s, $in->readings);
        $p = array_map(static fn (TraceReading $r): float => $r->kpa_abs, $in->readings);
        $end = self::mean($t, $p, end($t) - 1);
        $leak = self::slope($t, $p, end($t) - (end($t) - $t[0]) / 5);
        $seal = $this->seal($t, $p, $in->atmosphere_kpa);
        $second = $seal === null ? null : $this->second($t, $p, $seal);
        $verdict = match (true) {
            $seal === null => TraceVerdict::NoSeal,
            $this->rise($t, $p, $second ?? $seal, $leak) > self::LEAK_KPA_MIN => TraceVerdict::Leaks,
            default => TraceVerdict::Sealed,
        };
        $result = new TraceResult(
            $seal, $second, $end, 100 * ($in->atmosphere_kpa - $end) / $in->atmosphere_kpa,
            $seal === null || $in->heater_off_s === null ? null : $seal - $in->heater_off_s, $leak, $verdict,
        );

        return $this->say($result, $in);
    }

    private function say(TraceResult $result, TraceInput $in): TraceResult
    {
        if ($result->verdict === TraceVerdict::NoSeal) {
            return $result->explain(
                'The sheet never closed on the box: look at the clamp, the rim and the valve before another sheet is heated.',
            );
        }
        $late = $result->delay_s === null ? '' : sprintf(', %.1f s after the heater left', $result->delay_s);
        $stage = $result->second_stage_s === null
            ? ''
            : sprintf(' The second stage came %.1f s later.', $result->second_stage_s - $result->seal_s);
        $result->explain(sprintf(
            'Sealed at %.1f s%s.%s It ended at %.1f kPa, %.0f %% of what is possible here%s.',
            $result->seal_s,
            $late,
            $stage,
            $result->end_kpa,
            $result->end_pct,
            $result->verdict === TraceVerdict::Leaks ? ', and leaks' : '',
        ));
        $result->warn(
            $result->verdict === TraceVerdict::Leaks
                ? 'The vacuum does not hold: a torn corner, a clip that came off or a valve. The part is soft in its details.'
                : null,
        );
        $result->warn(
            $result->delay_s !== null && $result->delay_s < 0
                ? 'It sealed before the heater left: is the heater\'s time on the same clock?'
                : null,
        );

        return $result->warn(
            $result->second_stage_s === null && $result->end_pct < 60
                ? sprintf(
                    'Only %.0f %% of the vacuum: a leak, a slow pump or a tank that was not empty.',
                    $result->end_pct,
                )
                : null,
        );
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $p
     */
    private function seal(array $t, array $p, float $air): ?float
    {
        $first = null;
        foreach (self::evened($p, $this->isFast($t) ? 2 : 0) as $i => $kpa) {
            if ($kpa < $air - self::SEAL_KPA) {
                $first = $i;
                break;
            }
        }
        if ($first === null) {
            return null;
        }
        [$before, $after] = $this->reach($t);
        // A slow gauge sees the second stage within a few readings: what is under the noise already is past the seal.
        $slack = 4 * self::noise($p);
        while ($first > 2) {
            $earlier = array_slice($p, max(0, $first - 1 - $before), min($before, $first - 1));
            if ($p[$first - 1] >= self::median($earlier) - $slack) {
                break;
            }
            $first--;
        }
        $hinge = $this->hinge($t, $p, $first, $before, $after);

        return max($t[0], $hinge->at ?? $t[$first]);
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $p
     */
    private function second(array $t, array $p, float $seal): ?float
    {
        $fast = $this->isFast($t);
        $wide = $fast ? 4 : 1;
        $noise = self::noise($p);
        $rates = [];
        foreach (array_keys($t) as $i) {
            if ($i >= $wide && $i + $wide < count($t) && $t[$i - $wide] > $seal + ($fast ? 0.1 : 0.0)) {
                $rates[$i] = ($p[$i - $wide] - $p[$i + $wide]) / ($t[$i + $wide] - $t[$i - $wide]);
            }
        }
        if ($fast) {
            $rates = self::evened($rates, 3);
        }
        $deepest = $p;
        for ($i = count($p) - 2; $i >= 0; $i--) {
            $deepest[$i] = min($p[$i], $deepest[$i + 1]);
        }
        // The slowest fall so far, and the fastest since: of one stage the fall only gets slower.
        $slowest = INF;
        $found = null;
        foreach ($rates as $i => $rate) {
            $slowest = min($slowest, $rate);
            $doubt = 6 * $noise / ($t[$i + $wide] - $t[$i - $wide]) / ($fast ? 1.5 : 1);
            if (
                $rate > max(1.6 * max($slowest, 0.0), $slowest + $doubt)
                && self::STAGE_KPA / 2 < $p[$i] - $deepest[$i]
            ) {
                $found = $i;
                break;
            }
        }
        if ($found === null) {
            return null;
        }
        [$before, $after] = $this->reach($t);
        $hinge = $this->hinge(
            $t,
            $p,
            min($found + 2 * $wide, count($t) - 1),
            min($before, max(2, $this->index($t, $t[$found]) - $this->index($t, $seal) - 1)),
            $after,
        );

        return $hinge === null || $hinge->fall < self::STAGE_KPA ? null : $hinge->at;
    }

    /**
     * The rise after the last stage, kPa/min: of the straight part beside the exponential one, from all readings since,
     * which the last fifth alone is too short to tell from noise.
     *
     * @param  list<float>  $t
     * @param  list<float>  $p
     */
    private function rise(array $t, array $p, float $from, float $otherwise): float
    {
        $start = $this->index($t, $from) + 1;
        // So many tell as much as all of them do.
        $stride = max(1, intdiv(count($t) - $start, self::RISE_FROM));
        $times = self::every($t, $start, $stride);
        $kpa = self::every($p, $start, $stride);
        if (count($times) < 8) {
            return $otherwise;
        }
        $span = end($times) - $times[0];
        $best = null;
        // The settling's time constant: coarse, then finer round the best, for a few per cent of it would pass for a
        // rise.
        [$low, $high] = [$span / 100, $span * self::SLOWEST];
        for ($round = 0; $round < 3; $round++) {
            $ratio = ($high / $low) ** (1 / 20);
            for ($k = 0; $k <= 20; $k++) {
                $tau = $low * $ratio ** $k;
                $rows = array_map(
                    static fn (float $time): array => [1.0, $time - $times[0], exp(-($time - $times[0]) / $tau)],
                    $times,
                );
                $fit = LeastSquares::solve($rows, $kpa);
                if ($fit !== null && ($best === null || $fit['error'] < $best['error'])) {
                    $best = $fit + ['tau' => $tau];
                }
            }
            if ($best === null) {
                return $otherwise;
            }
            [$low, $high] = [$best['tau'] / $ratio, min($best['tau'] * $ratio, $span * self::SLOWEST)];
        }

        return 60 * $best['x'][1];
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $p
     */
    private function hinge(array $t, array $p, int $fallen, int $before, int $after): ?Hinge
    {
        $from = max(0, $fallen - $before);
        $to = min(count($t) - 1, $fallen + $after);
        $times = array_slice($t, $from, $to - $from + 1);
        if (count($times) < 5) {
            return null;
        }

        return Hinge::within($times, array_slice($p, $from, count($times)), $times[1], $t[$fallen]);
    }

    /**
     * @param  list<float>  $t
     * @return array{int, int} readings that are looked at before and after a fall
     */
    private function reach(array $t): array
    {
        $step = $this->step($t);

        return [(int) max(4, min(40, round(1.2 / $step))), (int) max(2, min(20, round(0.5 / $step)))];
    }

    /** @param  list<float>  $t */
    private function isFast(array $t): bool
    {
        return $this->step($t) < 0.15;
    }

    /** @param  list<float>  $t */
    private function step(array $t): float
    {
        return (end($t) - $t[0]) / (count($t) - 1);
    }

    /** @param  list<float>  $t */
    private function index(array $t, float $at): int
    {
        $last = 0;
        foreach ($t as $i => $time) {
            if ($time > $at) {
                break;
            }
            $last = $i;
        }

        return $last;
    }

    /**
     * Sd of one reading, from the differences of neighbours' differences: what is smooth drops out of them.
     *
     * @param  list<float>  $p
     */
    private static function noise(array $p): float
    {
        $bends = [];
        for ($i = 1; $i < count($p) - 1; $i++) {
            $bends[] = abs($p[$i - 1] - 2 * $p[$i] + $p[$i + 1]);
        }
        sort($bends);

        // The median of |N(0, 6σ²)| is 0.6745·√6·σ.
        return max(0.02, $bends[intdiv(count($bends), 2)] / (0.6745 * sqrt(6)));
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function every(array $values, int $start, int $stride): array
    {
        $kept = [];
        for ($i = $start; $i < count($values); $i += $stride) {
            $kept[] = $values[$i];
        }

        return $kept;
    }

    /** @param  list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }

    /**
     * @param  array<int, float>  $values
     * @return array<int, float>
     */
    private static function evened(array $values, int $reach): array
    {
        $evened = [];
        foreach (array_keys($values) as $i) {
            $near = [];
            for ($k = $i - $reach; $k <= $i + $reach; $k++) {
                if (isset($values[$k])) {
                    $near[] = $values[$k];
                }
            }
            $evened[$i] = array_sum($near) / count($near);
        }

        return $evened;
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $p
     */
    private static function mean(array $t, array $p, float $from): float
    {
        $last = array_filter($p, static fn (int $i): bool => $t[$i] >= $from, ARRAY_FILTER_USE_KEY);

        return array_sum($last) / count($last);
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $p
     * @return float kPa/min
     */
    private static function slope(array $t, array $p, float $from): float
    {
        $rows = [];
        $values = [];
        foreach ($t as $i => $time) {
            if ($time >= $from) {
                $rows[] = [1.0, $time - $from];
                $values[] = $p[$i];
            }
        }
        $line = count($rows) < 2 ? null : LeastSquares::solve($rows, $values);

        return $line === null ? 0.0 : 60 * $line['x'][1];
    }
}
