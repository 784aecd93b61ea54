<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use LogicException;

/**
 * Presses a sheet the way a shop would: the real platens differ a little from the gauge, the flake is not as loose as
 * the book says, people are quick or slow, the press has a tilt of its own. What comes out of it (temperatures, a cold
 * middle, voids, thicknesses) follows from heat.press_cycle and from conservation of mass, not from a list of answers.
 * The same seed gives the same run.
 */
final class PressSimulation
{
    private readonly Dice $dice;

    /** @param  array<string, float|null>  $heat input of heat.press_cycle as planned, its numbers */
    public function __construct(
        private readonly Registry $calculations,
        private readonly RunMachine $machine,
        private readonly array $heat,
        private readonly PressHabits $habits,
        int $seed,
    ) {
        $this->dice = new Dice($seed);
    }

    /** @param  list<string>  $people who is there; the first does most of it */
    public function run(float $startAt, array $people): SimulatedRun
    {
        /** @var array<string, float|null> $plan */
        $plan = $this->machine->plan;
        $state = new RunState;
        $events = [];
        $clock = $startAt;
        $n = 0;
        $add = function (EventType $type, array $data, float $wait) use (
            &$events,
            &$clock,
            &$n,
            $state,
            $people,
            $startAt,
        ): void {
            $clock += $wait;
            $event = new Event(
                sprintf('sim-%d-%02d', (int) $startAt, $n++),
                $type,
                round($clock, 3),
                $people[$this->dice->whole(0, 9) < 7 ? 0 : count($people) - 1],
                $data,
            );
            $refusal = $this->machine->refuses($state, $event);
            if ($refusal !== null) {
                throw new LogicException(
                    "the simulated operator was refused: {$refusal->field} {$refusal->getMessage()}",
                );
            }
            $this->machine->apply($state, $event);
            $events[] = $event;
        };
        $log = static fn (string $entry, array $values, float $wait) => $add(
            EventType::Logged,
            ['entry' => $entry, 'values' => $values],
            $wait,
        );
        $done = function (string $step, float $wait, ?string $reason = null) use ($add): void {
            $add(EventType::StepDone, ['step' => $step] + ($reason === null ? [] : ['reason' => $reason]), $wait);
        };
        $confirm = function (string $step) use ($add): void {
            foreach (array_keys($this->machine->procedure->step($step)->confirm ?? []) as $item) {
                $add(EventType::Confirmed, ['step' => $step, 'item' => $item], $this->dice->between(3, 25));
            }
        };

        // What is true today and nobody sees: the gauge's error, the room, the flake.
        $gaugeError = $this->dice->normal($this->habits->gaugeOffsetK, 2.0);
        $actual = [
            'platen_c' => $plan['platen_c'] + $gaugeError,
            'initial_c' => $this->dice->between(14, 23),
            'bulk_density_g_cm3' => (float) $this->heat['bulk_density_g_cm3'] * $this->dice->between(0.88, 1.1),
            'soak_min' => 0.0,
        ] + $this->heat;
        // Real platens may sit below what the middle ought to reach: the model then heats towards what they can do.
        $wanted = (float) $plan['core_target_c'];
        $actual['core_target_c'] = min($wanted, $actual['platen_c'] - 3);

        $add(EventType::Started, [], 0);
        $log(
            'platen',
            [
                'top_c' => round($plan['platen_c'] + $this->dice->normal(0, 1.2), 0),
                'low_c' => round($plan['platen_c'] - abs($this->dice->normal(1, 1.2)), 0),
            ],
            $this->dice->between(300, 700),
        );
        $done('preheat', 20);
        $confirm('plates');
        $done('plates', 15);
        $mass = round($this->dice->normal((float) $plan['charge_mass_g'], 0.003 * (float) $plan['charge_mass_g']), 0);
        $mass = max(
            $plan['charge_mass_g'] - $plan['charge_tolerance_g'],
            min($plan['charge_mass_g'] + $plan['charge_tolerance_g'], $mass),
        );
        $log('weigh', ['mass_g' => $mass], $this->dice->between(90, 220));
        $done('weigh', 10);
        $confirm('spread');
        $done('spread', $this->dice->between(60, 160));
        $done('slide_in', $this->dice->between(20, 70));
        $heatStart = $clock;
        $pumps = $this->heatUnderLoad($plan, $log, $clock, $state);
        $overrun = $this->habits->overrunS * $this->dice->between(0, 1);
        $done('heat', max(0.0, $state->timers['heat']['ends_at'] - $clock) + $overrun + 1);
        $heated = ($clock - $heatStart) / 60;
        $done('transfer', $this->dice->between(25, 90));
        $log('cold_pressure', ['gauge_bar' => round($this->dice->between(35, 60), 0)], $this->dice->between(10, 60));
        $done('pressure_on', 5);
        $coolStart = $clock;
        $done('cool', max(0.0, $state->timers['cool']['ends_at'] - $clock) + $this->dice->between(2, 200));
        $confirm('open');

        $cycle = $this->calculations->run('heat.press_cycle', ['minutes_given' => $heated] + $actual);
        assert($cycle instanceof PressCycleResult);
        $cold = max(0.0, $wanted - (float) $cycle->core_at_given_c);
        $porosity = max(-0.5, $this->dice->normal(0.9, 0.4) + 0.16 * $cold + max(0, 3 - $pumps) * $this->dice->between(0.3, 1.0));
        if ($cold > 4) {
            $log('cue', ['what' => 'flakes still visible'], 30);
        }
        $done('open', $this->dice->between(60, 180));
        [$points, $sheetMass] = $this->measure($plan, (float) $mass, $porosity);
        $log('inspection', ['mass_g' => $sheetMass, 'points' => $points], $this->dice->between(240, 600));
        $done('check', 10);
        $log('disposition', $this->judge($plan, $points, $porosity, $cold), $this->dice->between(10, 60));
        $done('decide', 5);

        return new SimulatedRun(
            $events,
            $this->readings(
                $plan,
                $cycle,
                $startAt,
                $heatStart,
                $heatStart + 60 * $heated,
                $coolStart,
                $clock,
                $gaugeError,
            ),
        );
    }

    /**
     * @param  array<string, float|null>  $plan
     * @param  callable(string, array<string, mixed>, float): void  $log
     */
    private function heatUnderLoad(array $plan, callable $log, float &$clock, RunState $state): int
    {
        $ends = $state->timers['heat']['ends_at'];
        $every = 60 * (float) ($plan['pump_every_min'] ?? 4.0);
        $gauge = $this->dice->between(18, 26);
        $pumps = 0;
        while ($clock + $every < $ends - $every / 2) {
            $late = $this->dice->between(0, 60 * $this->habits->latePumpMin);
            if ($clock + $every + $late >= $ends) {
                break;
            }
            $gauge = min(52.0, $gauge + $this->dice->between(4, 12));
            $log('pump', ['gauge_bar' => round($gauge, 0), 'strokes' => $this->dice->whole(3, 10)], $every + $late);
            $pumps++;
        }

        return $pumps;
    }

    /**
     * Nine thicknesses from mass, voids and the press's own tilt and bow.
     *
     * @param  array<string, float|null>  $plan
     * @return array{list<array{x_mm: float, y_mm: float, t_mm: float}>, float}
     */
    private function measure(array $plan, float $charge, float $porosity): array
    {
        $density = (float) $this->heat['density_solid_g_cm3'];
        $sheetMass = round($charge / (1 + max(0.005, $this->dice->normal(0.045, 0.008))), 0);
        $length = (float) $plan['length_mm'];
        $width = (float) $plan['width_mm'];
        $mean = $sheetMass / ($density * (1 - $porosity / 100)) / ($length * $width / 1000);
        $tiltX = $this->dice->normal($this->habits->tiltXMmPerM, 0.18);
        $tiltY = $this->dice->normal($this->habits->tiltYMmPerM, 0.18);
        $bow = $this->dice->normal($this->habits->bowMm, 0.08);
        $points = [];
        $sum = 0.0;
        foreach ([-1, 0, 1] as $j) {
            foreach ([-1, 0, 1] as $i) {
                $x = $i * ($length / 2 - 25);
                $y = $j * ($width / 2 - 25);
                $r2 = ($i * $i + $j * $j) / 2;
                $t = $tiltX * $x / 1000 + $tiltY * $y / 1000 - $bow * $r2 + $this->dice->normal(0, 0.05);
                $points[] = ['x_mm' => $x + $length / 2, 'y_mm' => $y + $width / 2, 't_mm' => $t];
                $sum += $t;
            }
        }

        return [
            array_map(static fn (array $p): array => ['t_mm' => round($p['t_mm'] - $sum / 9 + $mean, 2)] + $p, $points),
            $sheetMass,
        ];
    }

    /**
     * @param  array<string, float|null>  $plan
     * @param  list<array{x_mm: float, y_mm: float, t_mm: float}>  $points
     * @return array<string, string>
     */
    private function judge(array $plan, array $points, float $porosity, float $cold): array
    {
        $ts = array_column($points, 't_mm') ?: [0.0];
        $reason = match (true) {
            $cold > 4 => 'cold middle, flakes show',
            $porosity > 5 => 'bubbles at the cut edge',
            max($ts) - min($ts) > 1.15 * (float) $plan['thickness_tolerance_mm'] => 'wedge, thickness out of tolerance',
            default => null,
        };

        return $reason === null ? ['verdict' => 'good'] : ['verdict' => 'scrap', 'reason' => $reason];
    }

    /**
     * What a two-channel logger on the platens would have written every half minute.
     *
     * @param  array<string, float|null>  $plan
     * @return list<array{at: float, place: string, channel: string, value: float}>
     */
    private function readings(
        array $plan,
        PressCycleResult $cycle,
        float $start,
        float $heatStart,
        float $heatEnd,
        float $coolStart,
        float $end,
        float $gaugeError,
    ): array {
        $set = (float) $plan['platen_c'];
        $heatS = 60 * $cycle->heat_min;
        $at = static function (float $seconds, bool $hot) use ($cycle, $heatS): float {
            $found = null;
            foreach ($cycle->curve as $point) {
                $inHot = $point->time_s <= $heatS + 0.5;
                if (
                    $inHot === $hot
                    && ($found === null || ($hot ? $point->time_s : $point->time_s - $heatS) <= $seconds)
                ) {
                    $found = $point->platen_c;
                }
            }

            return (float) $found;
        };
        $readings = [];
        for ($t = $start; $t < $end; $t += 30) {
            $hot = match (true) {
                $t < $heatStart => $set - 60 * exp(-($t - $start) / 180),
                $t < $heatEnd => $at($t - $heatStart, true) - $gaugeError,
                default => $set - 8 * exp(-($t - $heatEnd) / 300),
            };
            $readings[] = [
                'at' => $t,
                'place' => 'hot',
                'channel' => 'platen_top_c',
                'value' => round($hot + $this->dice->normal(0, 0.4), 1),
            ];
            $readings[] = [
                'at' => $t,
                'place' => 'hot',
                'channel' => 'platen_low_c',
                'value' => round($hot - 1.5 + $this->dice->normal(0, 0.4), 1),
            ];
            if ($t >= $coolStart) {
                $readings[] = [
                    'at' => $t,
                    'place' => 'cold',
                    'channel' => 'platen_c',
                    'value' => round($at($t - $coolStart, false) + $this->dice->normal(0, 0.3), 1),
                ];
            }
        }

        return $readings;
    }
}
