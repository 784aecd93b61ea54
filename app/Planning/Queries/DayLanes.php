<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Material\Models\Drying;
use App\People\Models\User;
use App\Planning\Data\DayBarData;
use App\Planning\Data\DayLaneData;
use App\Runs\Models\RunStation;
use App\Runs\Queries\Makeable;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Schedule\RunJob;

/** A day as lanes: what was and is on each machine, what comes, and whose hands it wants. */
final readonly class DayLanes
{
    private const NO_GAP_MIN = 1.0;

    public function __construct(private Makeable $makeable, private Processes $processes)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $placed
     * @param  array<string, DayJob>  $jobs
     * @return list<DayLaneData>
     */
    public function machines(array $placed, array $jobs, float $from, float $until, float $now): array
    {
        $bars = $this->was($from, $until, $now);
        foreach (self::joined($placed) as $task) {
            $id = (int) substr((string) $task['station'], 1);
            $name = $jobs[$task['job']]->product->name ?? (string) $task['job'];
            $bars[$id][] = new DayBarData(
                max($now, $from + 60 * (float) $task['start']),
                $from + 60 * (float) $task['end'],
                $task['task'] === RunJob::WHOLE ? $name : "{$name} {$task['piece']}",
                true,
                (string) $task['job'],
                null,
            );
        }
        $lanes = [];
        $kinds = $this->processes->machineKinds();
        $heats = $this->heats();
        foreach ($this->makeable->standing() as $machine) {
            $own = $bars[$machine->id] ?? [];
            if ($own === [] && ($kinds[$machine->kind]->isMould ?? false)) {
                continue;
            }
            $lanes[] = new DayLaneData(
                $machine->id,
                $machine->name,
                $machine->kind,
                $heats[$machine->kind] ?? 'in',
                null,
                null,
                $own,
            );
        }

        return $lanes;
    }

    /**
     * Stretches of one run that follow one another without a gap are one to whoever looks.
     *
     * @param  list<array<string, mixed>>  $placed  by their start
     * @return list<array<string, mixed>>
     */
    private static function joined(array $placed): array
    {
        $joined = [];
        $last = [];
        foreach ($placed as $task) {
            $at = $last["{$task['job']} {$task['station']}"] ?? null;
            if (
                $at !== null
                && $task['task'] === RunJob::WHOLE
                && $task['start'] - $joined[$at]['end'] < self::NO_GAP_MIN
            ) {
                $joined[$at]['end'] = $task['end'];
            } else {
                $last["{$task['job']} {$task['station']}"] = count($joined);
                $joined[] = $task;
            }
        }

        return $joined;
    }

    /**
     * @param  list<array{person: User, from: float, to: float}>  $people
     * @param  list<array<string, mixed>>  $hands
     * @param  array<string, string>  $works  what is done at a bench, by job
     * @return list<DayLaneData>
     */
    public function people(array $people, array $hands, array $works, float $from): array
    {
        $machines = $this->makeable->standing()->keyBy(static fn (Machine $m): string => DayAsk::station($m));

        return array_map(static function (array $p) use ($hands, $works, $from, $machines): DayLaneData {
            $own = array_filter($hands, static fn (array $h): bool => $h['person'] === "p{$p['person']->id}");

            return new DayLaneData(
                $p['person']->id,
                $p['person']->name,
                '',
                'hands',
                $p['from'],
                $p['to'],
                array_values(array_map(static fn (array $h): DayBarData => new DayBarData(
                    $from + 60 * (float) $h['from'],
                    $from + 60 * (float) $h['to'],
                    $machines->get((string) $h['station'])->name ?? $works[explode(' ', (string) $h['what'])[0]] ?? '',
                    true,
                    explode(' ', (string) $h['what'])[0],
                    null,
                ), $own)),
            );
        }, $people);
    }

    /** @return array<string, string> which way heat goes at a kind of machine, by the place that it takes in a process */
    private function heats(): array
    {
        $heats = [];
        foreach ($this->processes->all() as $process) {
            $procedure = new Procedure($process->procedure());
            foreach ($process->roles() as $role) {
                foreach ($role->kinds as $kind) {
                    $heats[$kind] ??= $procedure->place($role->id)->heat ?? 'in';
                }
            }
        }

        return $heats;
    }

    /** @return array<int, list<DayBarData>> what was and is on machines today, by machine */
    private function was(float $from, float $until, float $now): array
    {
        $bars = [];
        $held = RunStation::query()->with(['run:id,number,product_id', 'run.product'])
            ->where('from_at', '<', Seconds::moment($until))
            ->where(static fn ($q) => $q->whereNull('to_at')->orWhere('to_at', '>', Seconds::moment($from)))
            ->whereHas('run', static fn ($r) => $r->where('started_at', '>', Seconds::moment($from - 172_800)))
            ->orderBy('from_at')
            ->get();
        $free = $this->makeable->freeAt($now);
        foreach ($held as $station) {
            $begins = max($from, Seconds::of($station->from_at ?? Seconds::moment($from)));
            $ends = $station->to_at === null
                ? max($now, $free[$station->machine_id] ?? $now)
                : Seconds::of($station->to_at);
            $says = "{$station->run->product->name}, run {$station->run->number}";
            if ($ends > $now) {
                $bars[$station->machine_id][] = new DayBarData($begins, $now, $says, false, null, $station->run_id);
                $bars[$station->machine_id][] = new DayBarData(
                    $now,
                    $ends,
                    'until it is done',
                    true,
                    null,
                    $station->run_id,
                );
            } else {
                $bars[$station->machine_id][] = new DayBarData($begins, $ends, $says, false, null, $station->run_id);
            }
        }
        foreach (Drying::query()->with(['lot'])->whereNull('out_at')->get() as $drying) {
            $ready = Seconds::of($drying->ready_at);
            $bars[$drying->machine_id][] = new DayBarData(
                max($from, Seconds::of($drying->started_at)),
                $now,
                "{$drying->lot->polymer}, lot {$drying->lot->code}",
                false,
                null,
                null,
            );
            if ($ready > $now) {
                $bars[$drying->machine_id][] = new DayBarData($now, $ready, 'until it is dry', true, null, null);
            }
        }

        return $bars;
    }
}
