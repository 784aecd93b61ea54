<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Press\CurvePoint;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Observed;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Practice\PressHabits;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;

/**
 * A hot and a cold press. The platens are a little off their gauge, the flake is not as loose as the book says, the
 * press has a tilt and a bow of its own. How hot a middle gets, when it may be taken out and what both platens do is
 * heat.press_cycle under that truth, with the minutes that the hands really gave; thicknesses follow from mass and
 * voids. The cold press has what the sheet before has left in it: its platens fall towards the coolant by exp(−t·UA/C)
 * (Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, lumped capacitance).
 */
final class Plant implements Machine
{
    /** of hot platens that come back to their set-point, s, and how far they are from it at first, K */
    private const PREHEAT = [180.0, 60.0];

    private const BACK_S = 300.0;

    private const EVERY_S = 30;

    /** the middle this much colder than it should be shows flakes, K */
    private const COLD_K = 4.0;

    /** taken out before this share of the cooling that it needs, a sheet bends */
    private const WARM = 0.8;

    private readonly Record $targets;

    private readonly float $gaugeK;

    /** @var array<int, float> g of each sheet's charge */
    private array $charged = [];

    /** @var array<int, int> times that a sheet was pumped */
    private array $pumped = [];

    private float $gaugeBar = 0.0;

    /** @var array<int, array{float, float}> when a sheet was in the hot press */
    private array $heated = [];

    /** @var array<int, array{float, float}> when it was in the cold one */
    private array $cooled = [];

    /** @var array<int, PressCycleResult> what a sheet went through */
    private array $cycles = [];

    /** @var array<int, array{float, float}> of each charge as it went in: °C, and g/cm3 loose */
    private array $loose = [];

    /** @var array<int, float> until when a sheet that people work was reckoned */
    private array $reckonedTo = [];

    /** @var array<int, float> % of each sheet that was checked */
    private array $voids = [];

    /** @var array<int, float> thickest less thinnest of it */
    private array $rangeMm = [];

    /** @var array{float, float}|null when the cold platens were last left, and how warm, °C */
    private ?array $leftWarm = null;

    /**
     * @param  array<string, mixed>  $heat  input of heat.press_cycle as planned
     * @param  array<string, float|int|string|null>  $targets  of the plan
     */
    public function __construct(
        private readonly Registry $calculations,
        private readonly Dice $dice,
        private readonly array $heat,
        array $targets,
        private readonly float $solidGCm3,
        private readonly float $bulkGCm3,
        private readonly ?ColdPressFacts $cold,
        private readonly PressHabits $habits,
    ) {
        $this->targets = new Record($targets);
        $this->gaugeK = $dice->normal($habits->gaugeOffsetK, 2.0);
    }

    public function seen(Step $step, ?int $piece, float $began, float $now): array
    {
        $sheet = $piece ?? 0;
        if ($step->id === 'heat') {
            $this->heated[$sheet] = [$began, $now];
        }
        if ($step->id === 'pressure_on') {
            $this->cycles[$sheet] = $this->cycle($sheet, $this->coldAt($now));
        }
        if ($step->id === 'cool') {
            $this->cooled[$sheet] = [$began, $now];
            $this->leftWarm = [$now, $this->platenAfter($sheet, ($now - $began) / 60)];
        }

        return match ($step->id) {
            'preheat' => [$this->platens()],
            'weigh' => [$this->charge($sheet)],
            'pressure_on' => [
                new Observed(
                    'cold_pressure',
                    ['gauge_bar' => round($this->dice->between(35, 60), 0)],
                    $this->dice->between(10, 60),
                ),
            ],
            'open' => $this->missedK($sheet) > self::COLD_K
                ? [new Observed('cue', ['what' => 'flakes still visible'], 30)]
                : [],
            'check' => [$this->check($sheet)],
            'decide' => [new Observed('disposition', $this->judge($sheet), $this->dice->between(10, 60))],
            default => [],
        };
    }

    public function reminded(string $entry, ?int $piece): ?Observed
    {
        if ($entry !== 'pump') {
            return null;
        }
        $before = $this->pumped[$piece ?? 0] ?? 0;
        $this->gaugeBar = $before === 0 ? $this->dice->between(18, 26) : $this->gaugeBar;
        $this->gaugeBar = min(52.0, $this->gaugeBar + $this->dice->between(4, 12));
        $this->pumped[$piece ?? 0] = $before + 1;
        $values = ['gauge_bar' => round($this->gaugeBar, 0), 'strokes' => $this->dice->whole(3, 10)];

        return new Observed($entry, $values, $this->dice->between(3, 10));
    }

    /** Two thermocouples on the hot platens, one on the cold ones from when they first hold a sheet. */
    public function readings(float $from, float $to): array
    {
        return $this->written($from, $to, $from);
    }

    /**
     * @param  float  $since  the presses were switched on, s
     * @return list<array{at: float, place: string, channel: string, value: float}>
     */
    private function written(float $from, float $to, float $since): array
    {
        $readings = [];
        $cold = $this->cooled === [] ? INF : min(array_column($this->cooled, 0));
        for ($t = $from; $t < $to; $t += self::EVERY_S) {
            $hot = $this->hotAt($t, $since);
            $readings[] = $this->reading($t, 'hot', 'platen_top_c', $hot, 0.4);
            $readings[] = $this->reading($t, 'hot', 'platen_low_c', $hot - 1.5, 0.4);
            if ($t >= $cold) {
                $readings[] = $this->reading($t, 'cold', 'platen_c', $this->coldTrace($t), 0.3);
            }
        }

        return $readings;
    }

    /** A sheet that heats will do so for as long as was planned, as far as the platens can know. */
    public function live(RunState $state, float $from, float $to): array
    {
        $planned = 60 * $this->targets->number('heat_min');
        foreach ([$state, ...$state->pieces] as $thread) {
            $sheet = $thread->piece ?? 0;
            $in = $thread->done['slide_in']['at'] ?? null;
            if ($in === null) {
                continue;
            }
            $out = $thread->done['heat']['at'] ?? null;
            $this->heated[$sheet] = [$in, $out ?? INF];
            $on = $thread->done['pressure_on']['at'] ?? null;
            if (($this->reckonedTo[$sheet] ?? 0.0) !== ($on ?? $out ?? INF)) {
                $this->heated[$sheet] = [$in, $out ?? $in + $planned];
                $this->cycles[$sheet] = $this->cycle($sheet, $this->coldAt($on ?? $in + $planned));
                $this->heated[$sheet] = [$in, $out ?? INF];
                $this->reckonedTo[$sheet] = $on ?? $out ?? INF;
            }
            if ($on !== null) {
                $off = $thread->done['cool']['at'] ?? INF;
                $this->cooled[$sheet] = [$on, $off];
                $this->leftWarm = $off === INF
                    ? $this->leftWarm
                    : [$off, $this->platenAfter($sheet, ($off - $on) / 60)];
            }
        }

        return $this->written($from, $to, $state->startedAt ?? $from);
    }

    /** @return array{at: float, place: string, channel: string, value: float} */
    private function reading(float $at, string $place, string $channel, float $value, float $noiseK): array
    {
        return [
            'at' => $at,
            'place' => $place,
            'channel' => $channel,
            'value' => round($value + $this->dice->normal(0, $noiseK), 1),
        ];
    }

    private function platens(): Observed
    {
        $set = $this->targets->number('platen_c');

        return new Observed('platen', [
            'top_c' => round($set + $this->dice->normal(0, 1.2), 0),
            'low_c' => round($set - min(4.0, abs($this->dice->normal(1, 1.2))), 0),
        ], 20);
    }

    private function charge(int $sheet): Observed
    {
        $mass = $this->targets->number('charge_mass_g');
        $within = $this->targets->number('charge_tolerance_g');
        $weighed = max($mass - $within, min($mass + $within, $this->dice->normal($mass, 0.003 * $mass)));
        $this->charged[$sheet] = round($weighed, 0);
        if (abs($this->charged[$sheet] - $mass) > $within) {
            $this->charged[$sheet] = round($weighed, 1);
        }

        return new Observed('weigh', ['mass_g' => $this->charged[$sheet]], $this->dice->between(60, 150));
    }

    private function cycle(int $sheet, float $coldC): PressCycleResult
    {
        [$from, $to] = $this->heated[$sheet];
        $platen = $this->targets->number('platen_c') + $this->gaugeK;
        $minutes = max(0.2, ($to - $from) / 60);
        [$initial, $bulk] = $this->loose[$sheet] ??= [
            $this->dice->between(14, 23),
            min(0.95 * $this->solidGCm3, $this->bulkGCm3 * $this->dice->between(0.88, 1.1)),
        ];
        $cycle = $this->calculations->run('heat.press_cycle', [
            'platen_c' => $platen,
            'initial_c' => $initial,
            'bulk_density_g_cm3' => $bulk,
            // Real platens may stay under what the middle ought to reach: then it heats towards what they can do.
            'core_target_c' => min($this->targets->number('core_target_c'), $platen - 3),
            'soak_min' => 0.0,
            'minutes_given' => $minutes,
            'transfer_min' => $minutes,
            'cold_platen_c' => $coldC,
        ] + $this->heat);
        assert($cycle instanceof PressCycleResult);

        return $cycle;
    }

    /** Cold platens as a sheet comes onto them, °C. */
    private function coldAt(float $now): float
    {
        $start = $this->cold->start_c ?? 22.0;
        if ($this->leftWarm === null || $this->cold?->platen_kj_k === null) {
            return $start;
        }
        [$at, $left] = $this->leftWarm;
        $coolant = $this->cold->coolant_c ?? 20.0;
        $lag = 1000 * $this->cold->platen_kj_k / max(1.0, $this->cold->cooling_w_k ?? 10.0);

        return max($start, $coolant + ($left - $coolant) * exp(-($now - $at) / $lag));
    }

    /** Cold platens when a sheet has cooled for so many minutes, °C. */
    private function platenAfter(int $sheet, float $minutes): float
    {
        return $this->onCurve($sheet, 60 * $minutes, false);
    }

    /** How much colder than it should be the middle was when it left the heat, K. */
    private function missedK(int $sheet): float
    {
        $core = isset($this->cycles[$sheet]) ? $this->cycles[$sheet]->core_at_given_c : null;

        return $core === null ? 0.0 : max(0.0, $this->targets->number('core_target_c') - $core);
    }

    private function voidsPct(int $sheet): float
    {
        $missed = max(0, 3 - ($this->pumped[$sheet] ?? 0));

        return max(
            -0.5,
            $this->dice->normal(0.9, 0.4) + 0.16 * $this->missedK($sheet) + $missed * $this->dice->between(0.3, 1.0),
        );
    }

    /** Nine thicknesses from mass, voids and the press's own tilt and bow. */
    private function check(int $sheet): Observed
    {
        $length = $this->targets->number('length_mm');
        $width = $this->targets->number('width_mm');
        $mass = round($this->charged[$sheet] / (1 + max(0.005, $this->dice->normal(0.045, 0.008))), 0);
        $this->voids[$sheet] = $this->voidsPct($sheet);
        $mean = 1000 * $mass / ($this->solidGCm3 * (1 - $this->voids[$sheet] / 100)) / ($length * $width);
        $tiltX = $this->dice->normal($this->habits->tiltXMmPerM, 0.18);
        $tiltY = $this->dice->normal($this->habits->tiltYMmPerM, 0.18);
        $bow = $this->dice->normal($this->habits->bowMm, 0.08);
        $points = [];
        foreach ([-1, 0, 1] as $j) {
            foreach ([-1, 0, 1] as $i) {
                $x = $i * ($length / 2 - 25);
                $y = $j * ($width / 2 - 25);
                $off = ($tiltX * $x + $tiltY * $y) / 1000 - $bow * ($i * $i + $j * $j) / 2 + $this->dice->normal(0, 0.05);
                $points[] = ['x_mm' => $x + $length / 2, 'y_mm' => $y + $width / 2, 't_mm' => $off];
            }
        }
        $level = array_sum(array_column($points, 't_mm')) / count($points);
        $points = array_map(
            static fn (array $p): array => ['t_mm' => round($p['t_mm'] - $level + $mean, 2)] + $p,
            $points,
        );
        $this->rangeMm[$sheet] = max(array_column($points, 't_mm')) - min(array_column($points, 't_mm'));

        return new Observed('inspection', ['mass_g' => $mass, 'points' => $points], $this->dice->between(240, 600));
    }

    /** @return array<string, string> */
    private function judge(int $sheet): array
    {
        [$from, $to] = $this->cooled[$sheet];
        $needed = $this->cycles[$sheet]->cool_min;
        $reason = match (true) {
            $this->missedK($sheet) > self::COLD_K => 'cold middle, flakes show',
            ($to - $from) / 60 < self::WARM * $needed => 'bent, taken out warm',
            $this->voids[$sheet] > 5 => 'bubbles at the cut edge',
            $this->rangeMm[$sheet] > 1.15 * $this->targets->number('thickness_tolerance_mm') => 'wedge, thickness out of tolerance',
            default => null,
        };

        return $reason === null ? ['verdict' => 'good'] : ['verdict' => 'scrap', 'reason' => $reason];
    }

    /** What the gauge of the hot platens shows, °C. */
    private function hotAt(float $t, float $from): float
    {
        $set = $this->targets->number('platen_c');
        [$lag, $off] = self::PREHEAT;
        $at = $set - $off * exp(-($t - $from) / $lag);
        foreach ($this->heated as $sheet => [$in, $out]) {
            if ($t < $in) {
                break;
            }
            $last = $this->onCurve($sheet, min($t, $out) - $in, true) - $this->gaugeK;
            $at = $t < $out ? $last : $set - ($set - $last) * exp(-($t - $out) / self::BACK_S);
        }

        return $at;
    }

    private function coldTrace(float $t): float
    {
        $at = $this->cold->start_c ?? 22.0;
        foreach ($this->cooled as $sheet => [$in, $out]) {
            if ($t < $in) {
                break;
            }
            $at = $this->onCurve($sheet, min($t, $out) - $in, false);
            if ($t >= $out) {
                $left = $this->leftWarm;
                $this->leftWarm = [$out, $at];
                $at = $this->coldAt($t);
                $this->leftWarm = $left;
            }
        }

        return $at;
    }

    /** The outer body of a sheet's cycle, seconds after it came into the hot or the cold press, °C. */
    private function onCurve(int $sheet, float $seconds, bool $hot): float
    {
        $cycle = $this->cycles[$sheet] ?? null;
        if ($cycle === null) {
            return $this->targets->number('platen_c') + $this->gaugeK;
        }
        [$from, $to] = $this->heated[$sheet];
        $turn = is_finite($to) ? $to - $from : 60 * $this->targets->number('heat_min');
        // The curve has both presses at the moment of the turn.
        $seconds = $hot ? min($seconds, $turn - 1.0) : $seconds;
        $points = array_filter(
            $cycle->curve,
            static fn (CurvePoint $p): bool => ($p->time_s <= $turn + 0.5) === $hot,
        );
        $found = null;
        foreach ($points as $point) {
            if ($found !== null && $point->time_s - ($hot ? 0.0 : $turn) > $seconds) {
                break;
            }
            $found = $point->platen_c;
        }

        return $found ?? $this->targets->number('platen_c');
    }
}
