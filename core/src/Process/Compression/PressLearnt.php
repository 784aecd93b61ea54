<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Learning\FactLearnt;
use Dithermic\Core\Learning\FitPressResult;
use Dithermic\Core\Learning\HeatsIn;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Learning\PressNumbers;
use Dithermic\Core\Learning\ReadRun;

/**
 * What a hot press really can do, by fit.press over the readings of its last runs, put beside what is known of it: as
 * one sentence of what the last sheet would take, because nobody plans in kJ/K.
 */
final readonly class PressLearnt
{
    /** readings of a run that are looked at; more say no more */
    private const MOST = 160;

    private const FEWEST = 8;

    public function __construct(private Registry $calculations)
    {
    }

    /**
     * @param  list<ReadRun>  $runs  newest first
     * @param  Record  $facts  of the press as it is known
     *
     * @throws InputError where nothing was read that could be used
     */
    public function of(array $runs, Record $facts): MachineLearnt
    {
        $used = [];
        foreach ($runs as $run) {
            $given = self::given($run);
            if ($given !== null) {
                $used[$run->number] = $given;
            }
        }
        if ($used === []) {
            throw new InputError(
                'runs',
                'of it have no readings of the platens yet: pair its thermocouples, and press a sheet',
            );
        }
        $fit = $this->calculations->run('fit.press', ['runs' => array_values($used)]);
        assert($fit instanceof FitPressResult);
        $last = array_values($used)[0]['input'];
        $now = $facts->has('heater_kw') && $facts->has('platen_kj_k') ? [
            'heater_kw' => $facts->number('heater_kw'),
            'platen_kj_k' => $facts->number('platen_kj_k'),
            'loss_kw' => $facts->mayNumber('loss_kw') ?? 0.0,
        ] : null;
        $heats = new HeatsIn(
            $this->heatMin($last, self::press($fit->press)),
            $now === null ? null : $this->heatMin($last, $now),
            'min',
        );

        return new MachineLearnt(
            self::facts($fit->press, $now),
            array_keys($used),
            $heats->says(count($used) === 1 ? 'The readings of its last sheet say' : 'The readings of its last '.count($used).' runs say'),
            $fit->enough,
            $heats->isNews(),
            $fit->missing,
        );
    }

    /** @return array{input: array<array-key, mixed>, readings: list<array{t_s: float, platen_c: float}>}|null */
    private static function given(ReadRun $run): ?array
    {
        $input = (array) ($run->picture['heat_input'] ?? []);
        $heat = $run->heats[array_key_first($run->heats) ?? 0] ?? null;
        if ($input === [] || $heat === null) {
            return null;
        }
        $means = [];
        foreach (array_intersect_key($run->readings, array_flip(HeatClock::CHANNELS)) as $points) {
            foreach ($points as [$at, $value]) {
                if ($at >= $heat['started_at'] && $at <= $heat['ended_at']) {
                    $means[(int) floor(($at - $heat['started_at']) / 10)][] = $value;
                }
            }
        }
        ksort($means);
        $stride = (int) max(1, ceil(count($means) / self::MOST));
        $readings = [];
        foreach (array_keys($means) as $i => $slot) {
            if ($i % $stride === 0) {
                $readings[] = [
                    't_s' => 10.0 * $slot + 5.0,
                    'platen_c' => array_sum($means[$slot]) / count($means[$slot]),
                ];
            }
        }
        unset($input['with_profile'], $input['minutes_given'], $input['transfer_min'], $input['press']);

        return count($readings) < self::FEWEST ? null : ['input' => $input, 'readings' => $readings];
    }

    /**
     * @param  array<array-key, mixed>  $input
     * @param  array<string, float>  $press
     */
    private function heatMin(array $input, array $press): ?float
    {
        try {
            $cycle = $this->calculations->run('heat.press_cycle', ['press' => $press] + $input);
        } catch (InputError) {
            // Such a press would never get this sheet hot.
            return null;
        }
        assert($cycle instanceof PressCycleResult);

        return $cycle->heat_min_calibrated;
    }

    /** @return array<string, float> */
    private static function press(PressNumbers $press): array
    {
        return [
            'heater_kw' => $press->heater_kw,
            'platen_kj_k' => $press->platen_kj_k,
            'loss_kw' => $press->loss_kw,
        ];
    }

    /**
     * @param  array<string, float>|null  $now
     * @return list<FactLearnt>
     */
    private static function facts(PressNumbers $press, ?array $now): array
    {
        $facts = [];
        foreach (['heater_kw' => 3, 'platen_kj_k' => 2, 'loss_kw' => 3] as $name => $decimals) {
            $facts[] = new FactLearnt(
                $name,
                $now[$name] ?? null,
                round($press->{$name}, $decimals),
                round(min($press->low->{$name}, $press->high->{$name}), $decimals),
                round(max($press->low->{$name}, $press->high->{$name}), $decimals),
            );
        }

        return $facts;
    }
}
