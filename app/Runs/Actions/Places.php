<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Stations;
use Illuminate\Support\Facades\DB;

/** Tells and keeps which run holds a machine; when it does is the core's (Run\Stations). */
final readonly class Places
{
    /** As the index of spans has it: a machine is a range of one. */
    private const SAME_MACHINE = "int8range(o.machine_id, o.machine_id, '[]') && int8range(s.machine_id, s.machine_id, '[]')";

    public function __construct(private Processes $processes)
    {
    }

    public function holder(Machine $machine, ?string $exceptRun = null): ?Run
    {
        return RunStation::query()->with('run')->where('machine_id', $machine->id)
            ->whereNotNull('from_at')
            ->whereNull('to_at')
            ->when(
                $exceptRun !== null,
                static fn ($q) => $q->where('run_id', '!=', $exceptRun),
            )->orderBy('from_at')->first()?->run;
    }

    /** What a run holds now is kept beside it, in the transaction of what changed it. */
    public function keep(Run $run, Procedure $procedure, RunState $state): void
    {
        $process = $this->processes->get($run->loadMissing('product')->product->process);
        $throughout = [];
        foreach ($run->stations as $station) {
            if ($process->role($station->role)?->throughout === true) {
                $throughout[] = $station->role;
            }
        }
        foreach (Stations::of($procedure, $state, $throughout) as $role => $span) {
            $station = $run->stations->firstWhere('role', $role);
            if ($station === null) {
                continue;
            }
            $to = $span['to'] === null ? null : Seconds::moment(max($span['to'], $span['from']));
            $station->fill(['from_at' => Seconds::moment($span['from']), 'to_at' => $to]);
            if ($station->isDirty()) {
                // One at a time for each machine, so that two that claim it see each other.
                Machine::query()->whereKey($station->machine_id)->lockForUpdate()->first();
                $station->contested = $station->contested === true || $this->overlaps($station);
                $station->save();
            }
        }
    }

    /** @return list<string> the machines that another run claims for a time that this one has too */
    public function contested(Run $run): array
    {
        // Of two that claim it, one is contested at least; those are few, and the others have an index of their own.
        $overlaps = 'o.run_id <> s.run_id and o.from_at is not null and s.from_at is not null
            and tstzrange(o.from_at, o.to_at) && tstzrange(s.from_at, s.to_at)';
        /** @var list<object{name: string, number: int|string}> $found */
        $found = DB::select("select m.name, r.number from (
                select s.machine_id, o.run_id from run_stations s
                join run_stations o on o.contested and o.machine_id = s.machine_id and {$overlaps}
                where s.run_id = :run
                union
                select s.machine_id, o.run_id from run_stations s
                join run_stations o on not o.contested and ".self::SAME_MACHINE." and {$overlaps}
                where s.run_id = :run_too and s.contested
            ) claims join machines m on m.id = claims.machine_id join runs r on r.id = claims.run_id
            order by m.name, r.number", ['run' => $run->id, 'run_too' => $run->id]);

        return array_map(
            static fn (object $f): string => "{$f->name} was claimed by run {$f->number} for the same time",
            $found,
        );
    }

    private function overlaps(RunStation $station): bool
    {
        // The machine as the index of spans has it: a range of one.
        return RunStation::query()
            ->whereRaw(
                "int8range(machine_id, machine_id, '[]') && int8range(?, ?, '[]')",
                [$station->machine_id, $station->machine_id],
            )
            ->where('run_id', '!=', $station->run_id)
            ->whereRaw('not contested')
            ->whereNotNull('from_at')
            ->whereRaw(
                'tstzrange(from_at, to_at) && tstzrange(?, ?)',
                [$station->from_at?->format('Y-m-d H:i:s.vP'), $station->to_at?->format('Y-m-d H:i:s.vP')],
            )->exists();
    }
}
