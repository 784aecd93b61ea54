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
        /** @var list<object{name: string, number: int|string}> $found */
        $found = DB::select('select distinct m.name, r.number from run_stations s join run_stations o on o.machine_id = s.machine_id and o.run_id <> s.run_id
            and (o.contested or s.contested) and o.from_at is not null and s.from_at is not null and tstzrange(o.from_at, o.to_at) && tstzrange(s.from_at, s.to_at)
            join machines m on m.id = s.machine_id join runs r on r.id = o.run_id where s.run_id = ? order by m.name, r.number',
            [$run->id]);

        return array_map(
            static fn (object $f): string => "{$f->name} was claimed by run {$f->number} for the same time",
            $found,
        );
    }

    private function overlaps(RunStation $station): bool
    {
        return RunStation::query()->where('machine_id', $station->machine_id)
            ->where('run_id', '!=', $station->run_id)
            ->where('contested', false)
            ->whereNotNull('from_at')
            ->whereRaw(
                'tstzrange(from_at, to_at) && tstzrange(?, ?)',
                [$station->from_at?->format('Y-m-d H:i:s.vP'), $station->to_at?->format('Y-m-d H:i:s.vP')],
            )->exists();
    }
}
