<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\ProcedureData;
use App\Runs\Data\ProcedureEntryData;
use App\Runs\Data\RunLinkData;
use App\Runs\Data\StepNoteData;
use App\Runs\Models\ProcedureEntry;
use App\Runs\Models\ProcedureVersion;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Support\ProcedureEntryKind;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\OwnWay;
use Illuminate\Support\Collection;

/** The procedures of the house as the Data classes that go over the wire. */
final readonly class PresentProcedure
{
    private const DECIDED = 20;

    private const NOTES = 30;

    public function __construct(private Processes $processes)
    {
    }

    /** @return list<ProcedureData> */
    public function all(): array
    {
        return array_map($this->of(...), array_values($this->shipped()));
    }

    /** @return array<string, array<array-key, mixed>> bodies by key */
    public function shipped(): array
    {
        $all = [];
        foreach ($this->processes->all() as $process) {
            foreach ($process->procedures() as $body) {
                $all[(string) $body['id']] = $body;
            }
        }

        return $all;
    }

    /**
     * @param  array<array-key, mixed>  $shipped
     * @param  list<array<string, mixed>>|null  $preview  changes as they would be; null for those in force
     */
    public function of(array $shipped, ?array $preview = null): ProcedureData
    {
        $key = (string) $shipped['id'];
        $inForce = ProcedureEntry::inForce($key);
        $changes = $inForce->proposal->way ?? [];
        $worked = $preview === null
            ? ProcedureVersion::worked($shipped, $inForce)
            : OwnWay::over($shipped, $preview);
        $open = ProcedureEntry::open($key);
        $decided = ProcedureEntry::query()->where(['key' => $key, 'kind' => ProcedureEntryKind::Proposed])
            ->whereHas('decision')
            ->with(['by', 'decision.by'])
            ->orderByDesc('id')
            ->limit(self::DECIDED)
            ->get();
        $runs = Run::query()->whereKey($open->concat($decided)->flatMap->runs->unique())->pluck('number', 'id');
        $say = fn (ProcedureEntry $e): ProcedureEntryData => $this->entry($e, $shipped, $inForce->id ?? 0, $runs);

        return new ProcedureData(
            $key,
            (string) $shipped['title'],
            (string) $shipped['process'],
            (int) $shipped['version'],
            (int) ($worked['own'] ?? 0),
            self::fault($shipped, $changes),
            $inForce->id ?? 0,
            (object) $shipped,
            (object) $worked,
            $preview ?? $changes,
            OwnWay::says($shipped, $preview ?? $changes),
            OwnWay::doubts($shipped, $preview ?? $changes),
            array_values($open->map($say)->all()),
            array_values($decided->map($say)->all()),
            $this->notes($key),
        );
    }

    /**
     * @param  array<array-key, mixed>  $shipped
     * @param  Collection<string, int>  $runs  numbers by id
     */
    private function entry(ProcedureEntry $entry, array $shipped, int $inForce, Collection $runs): ProcedureEntryData
    {
        $decision = $entry->relationLoaded('decision') ? $entry->decision : null;
        $changes = $entry->way ?? [];

        return new ProcedureEntryData(
            $entry->id,
            ($decision->kind ?? $entry->kind)->value,
            $entry->by->name,
            Seconds::of($entry->at),
            $entry->reason,
            $decision?->by->name,
            $decision === null ? null : Seconds::of($decision->at),
            $decision->reason ?? '',
            $decision === null && $entry->after !== $inForce,
            $changes,
            OwnWay::says($shipped, $changes),
            OwnWay::doubts($shipped, $changes),
            array_values(array_map(
                static fn (string $id): RunLinkData => new RunLinkData($id, (int) $runs->get($id)),
                $entry->runs,
            )),
        );
    }

    /**
     * @param  array<array-key, mixed>  $shipped
     * @param  list<array<string, mixed>>  $changes
     */
    private static function fault(array $shipped, array $changes): ?string
    {
        try {
            OwnWay::over($shipped, $changes);
        } catch (InputError $error) {
            return $error->getMessage();
        }

        return null;
    }

    /** @return list<StepNoteData> */
    private function notes(string $key): array
    {
        return array_values(RunEvent::query()
            ->where('type', EventType::Noted)
            ->whereIn('run_id', Run::query()->select('id')->whereIn(
                'procedure_id',
                ProcedureVersion::query()->select('id')->where('key', $key),
            ))
            ->with('by')
            ->join('runs', 'runs.id', '=', 'run_events.run_id')
            ->select('run_events.*', 'runs.number as run_number')
            ->orderByDesc('run_events.at')
            ->limit(self::NOTES)
            ->get()
            ->map(static fn (RunEvent $e): StepNoteData => new StepNoteData(
                new RunLinkData($e->run_id, (int) $e->getAttribute('run_number')),
                is_string($e->data['step'] ?? null) ? $e->data['step'] : null,
                (string) ($e->data['text'] ?? ''),
                $e->by->name,
                Seconds::of($e->at),
            ))->all());
    }
}
