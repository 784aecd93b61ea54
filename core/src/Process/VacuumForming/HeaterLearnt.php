<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Learning\Cue;
use Dithermic\Core\Learning\FactLearnt;
use Dithermic\Core\Learning\FitHeaterResult;
use Dithermic\Core\Learning\HeatsIn;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Learning\ReadRun;

/**
 * What a former's heater really is, by fit.heater from when somebody saw a sheet pull flat again or spring back: nobody
 * has to know a heater's °C. It is said as the seconds that the last sheet takes.
 */
final readonly class HeaterLearnt
{
    /** sheets that are looked at, the newest; more say no more */
    private const MOST = 12;

    /** how it is called at the machine */
    private const CUES = [
        'flat again' => Cue::FlatAgain,
        'gives and springs back' => Cue::SpringsBack,
        'smokes' => Cue::TooHot,
    ];

    public function __construct(private Registry $calculations)
    {
    }

    /**
     * @param  list<ReadRun>  $runs  newest first
     * @param  Record  $facts  of the former as it is known
     *
     * @throws InputError where nothing was seen that could be used
     */
    public function of(array $runs, Record $facts): MachineLearnt
    {
        $sheets = [];
        $used = [];
        foreach ($runs as $run) {
            foreach (self::timed($run) as $sheet) {
                if (count($sheets) < self::MOST) {
                    $sheets[] = $sheet;
                    $used[$run->number] = $run->number;
                }
            }
        }
        if ($sheets === []) {
            throw new InputError(
                'runs',
                'of it say of no sheet when it was ready: log a look while one heats, "flat again" or "gives and springs back"',
            );
        }
        $exchange = $facts->mayNumber('exchange') ?? Planner::USUAL_EXCHANGE;
        $fit = $this->calculations->run('fit.heater', ['sheets' => $sheets, 'exchange' => $exchange]);
        assert($fit instanceof FitHeaterResult);
        $now = $facts->mayNumber('heater_c');
        $last = $sheets[0]['input'];
        $heats = new HeatsIn(
            $this->seconds($last, $fit->heater_c, $exchange),
            $now === null ? null : $this->seconds($last, $now, $exchange),
            's',
            '%.0f',
        );
        $learnt = [new FactLearnt(
            'heater_c',
            $now,
            round($fit->heater_c, 0),
            round($fit->low, 0),
            round($fit->high, 0),
        )];
        if (! $facts->has('exchange')) {
            // It was fitted with it: without it the heater would be another.
            $learnt[] = new FactLearnt('exchange', null, $exchange, $exchange, $exchange);
        }

        return new MachineLearnt(
            $learnt,
            array_values($used),
            $heats->says(count($sheets) === 1 ? 'What was seen of one sheet says' : 'What was seen of '.count($sheets).' sheets says'),
            $fit->enough,
            $heats->isNews(),
            $fit->missing,
        );
    }

    /**
     * The sheets of a run of which somebody saw when they were ready: between the look before and that one.
     *
     * @return list<array{input: array<array-key, mixed>, seconds: float, cue: string}>
     */
    private static function timed(ReadRun $run): array
    {
        $input = (array) ($run->picture['sheet_input'] ?? []);
        $sheets = [];
        foreach ($input === [] ? [] : $run->heats as $heat) {
            $before = $heat['started_at'];
            foreach ($run->logged as $look) {
                $in = $look['entry'] === 'look'
                    && $look['at'] > $heat['started_at']
                    && $look['at'] <= $heat['ended_at'];
                $cue = $in && is_string($look['values']['cue'] ?? null)
                    ? self::CUES[$look['values']['cue']] ?? null
                    : null;
                if ($cue !== null) {
                    $seen = $before === $heat['started_at'] ? $look['at'] : ($before + $look['at']) / 2;
                    $sheets[] = ['input' => $input, 'seconds' => $seen - $heat['started_at'], 'cue' => $cue->value];

                    break;
                }
                $before = $in ? $look['at'] : $before;
            }
        }

        return $sheets;
    }

    /** @param  array<array-key, mixed>  $input */
    private function seconds(array $input, float $heaterC, float $exchange): ?float
    {
        try {
            $sheet = $this->calculations->run(
                'heat.vacuum_sheet',
                ['heater_c' => $heaterC, 'exchange' => $exchange] + $input,
            );
        } catch (InputError) {
            // Such a heater would never get this sheet hot.
            return null;
        }
        assert($sheet instanceof VacuumSheetResult);

        return $sheet->ready_s;
    }
}
