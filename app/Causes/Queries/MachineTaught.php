<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\FactLearntData;
use App\Causes\Data\MachineLearntData;
use App\Instruments\Support\Calibrations;
use App\Instruments\Support\Offsets;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Learning\FactLearnt;
use Dithermic\Core\Learning\ReadRun;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What the readings and the log of a machine's last runs say of it: put before its process, which knows what can be
 * learnt.
 */
final readonly class MachineTaught
{
    /** last runs with readings that are looked at */
    private const RUNS = 4;

    /** of a run */
    private const MOST_READINGS = 8_000;

    public function __construct(private Processes $processes, private Calibrations $calibrations)
    {
    }

    /** Whether anything can be learnt of such a machine at all. */
    public function teaches(Machine $machine): bool
    {
        return $this->processes->learningOf($machine->kind) !== null;
    }

    /** @throws InputError where nothing was read that could be used */
    public function of(Machine $machine): MachineLearntData
    {
        $process = $this->processes->learningOf($machine->kind)
            ?? throw new InputError('machine', "{$machine->name} is of a kind of which nothing is learnt from readings");
        $runs = $this->runs($machine, $process);
        $readings = $this->readings($runs, $machine, $process);
        $learnt = $process->learns(
            array_values($runs->map(static fn (Run $run): ReadRun => new ReadRun(
                $run->number,
                $run->setup,
                self::heats($run),
                $readings[$run->id] ?? [],
                self::logged($run),
            ))->all()),
            new Record($machine->facts),
        );
        assert($learnt !== null);

        return new MachineLearntData(
            $learnt->says,
            $learnt->enough,
            $learnt->otherwise,
            $learnt->missing,
            array_map(static fn (FactLearnt $f): FactLearntData => new FactLearntData(
                $f->name,
                $f->was,
                $f->value,
                $f->low,
                $f->high,
            ), $learnt->facts),
            array_map(
                static fn (int $number): string => $runs->firstOrFail('number', $number)->id,
                $learnt->runs,
            ),
            $learnt->runs,
            (int) $machine->factLog()->max('id'),
        );
    }

    /** @return Collection<int, Run> newest first */
    private function runs(Machine $machine, Definition $process): Collection
    {
        $main = $process->main()->id;

        return Run::query()->where('status', RunState::FINISHED)
            ->whereHas(
                'stations',
                static fn (Builder $s) => $s->where('machine_id', $machine->id)->where('role', $main),
            )
            ->when(! $process->learnsFromLog(), static fn (Builder $runs) => $runs->whereExists(
                static fn ($q) => $q->selectRaw('1')->from('readings')
                    ->whereColumn('readings.at', '>=', 'runs.started_at')
                    ->whereColumn('readings.at', '<=', 'runs.ended_at')
                    ->where('readings.machine_id', $machine->id)
                    ->whereIn('readings.channel', $process->learnsFrom()),
            ))
            ->with(['events.by', 'procedureVersion', 'product'])
            ->orderByDesc('started_at')
            ->limit(self::RUNS)
            ->get();
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return array<string, array<string, list<array{float, float}>>> by run and channel: s since 1970 UTC, and what was read
     */
    private function readings(Collection $runs, Machine $machine, Definition $process): array
    {
        $offsets = $this->calibrations->ofMachines([$machine->id])[$machine->id] ?? [];
        $rows = DB::table('runs')
            ->whereIn('runs.id', $runs->modelKeys())
            ->joinLateral(
                DB::table('readings')
                    ->selectRaw('channel, extract(epoch from at) as t, value')
                    ->where('machine_id', $machine->id)
                    ->whereIn('channel', $process->learnsFrom())
                    ->whereColumn('at', '>=', 'runs.started_at')
                    ->whereColumn('at', '<=', 'runs.ended_at')
                    ->orderBy('at')
                    ->limit(self::MOST_READINGS),
                'read',
            )
            ->orderBy('read.t')
            ->get(['runs.id', 'read.channel', 'read.t', 'read.value']);
        $readings = [];
        foreach ($rows as $row) {
            $at = (float) $row->t;
            $offset = ($offsets[$row->channel] ?? new Offsets)->at($at);
            $readings[$row->id][$row->channel][] = [$at, (float) $row->value + $offset];
        }

        return $readings;
    }

    /** @return list<array{entry: string, at: float, values: array<string, mixed>}> in order of their time */
    private static function logged(Run $run): array
    {
        $logged = array_map(
            static fn (array $e): array => ['entry' => $e['entry'], 'at' => $e['at'], 'values' => $e['values']],
            array_values($run->state()->entries),
        );
        usort($logged, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);

        return $logged;
    }

    /** @return list<array{started_at: float, ended_at: float}> */
    private static function heats(Run $run): array
    {
        $state = $run->state();
        $heats = [];
        foreach ($run->procedureVersion->procedure()->timers() as $timer) {
            foreach ($timer->kind === 'heat' ? $state->answered($timer->id) : [] as [$started, $answered]) {
                $heats[] = ['started_at' => $started, 'ended_at' => $answered];
            }
        }

        return $heats;
    }
}
