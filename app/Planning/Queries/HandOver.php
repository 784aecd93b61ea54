<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Instruments\Data\AlarmData;
use App\Instruments\Queries\Alarms;
use App\Planning\Data\DayJobData;
use App\Planning\Data\HandOverData;
use App\Planning\Data\LeftMachineData;
use App\Planning\Data\MadeSinceData;
use App\Planning\Data\ToldData;
use App\Planning\Models\ShiftNote;
use App\Runs\Data\LaneData;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\FloorView;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Safety\Touch;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** What the next shift finds: made, told, left standing, wanted, planned. */
final readonly class HandOver
{
    /** more a person does not read at the door */
    private const MOST_TOLD = 60;

    public function __construct(private FloorView $floor, private Day $day, private Alarms $alarms)
    {
    }

    /**
     * @param  float  $since  when this shift began, s since 1970 UTC
     * @param  float  $from  beginning of the day's work, as the plan has it
     * @param  float  $until  its end
     */
    public function of(float $since, float $from, float $until): HandOverData
    {
        $floor = ($this->floor)();
        $began = Seconds::moment($since);
        $runs = $this->runs($began);
        $day = $this->day->of($from, $until);
        $next = array_filter($day->jobs, static fn (DayJobData $j): bool => $j->ends === null || $j->ends > $day->now);
        usort($next, static fn (DayJobData $a, DayJobData $b): int => ($a->starts ?? INF) <=> ($b->starts ?? INF));

        return new HandOverData(
            $since,
            $floor->server_time,
            $this->made($runs),
            $this->told($runs, $began),
            $this->left($floor->lanes),
            $floor->hands,
            $next,
        );
    }

    /** @return Collection<int, Run> that go on or ended since, each with the pieces that were made since */
    private function runs(CarbonImmutable $since): Collection
    {
        $made = static fn (Builder $pieces) => $pieces->where('ended_at', '>=', $since);

        return Run::query()->select(['id', 'number', 'product_id', 'verdict'])
            ->where(static fn (Builder $q) => $q->whereNull('ended_at')->orWhere('ended_at', '>=', $since))
            ->withCount(['goodPieces as good' => $made, 'badPieces as bad' => $made])
            ->with('product')
            ->get();
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<MadeSinceData> most of it first
     */
    private function made(Collection $runs): array
    {
        $made = $runs->filter(static fn (Run $r): bool => $r->good() + $r->bad() > 0)
            ->groupBy('product_id')
            ->map(static fn (Collection $of): MadeSinceData => new MadeSinceData(
                $of->firstOrFail()->product_id,
                $of->firstOrFail()->product->name,
                (int) $of->sum(static fn (Run $r): int => $r->good()),
                (int) $of->sum(static fn (Run $r): int => $r->bad()),
                $of->count(),
            ));

        return array_values($made->sortByDesc(static fn (MadeSinceData $m): int => $m->good)->all());
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<ToldData> own words before all, then the newest first
     */
    private function told(Collection $runs, CarbonImmutable $since): array
    {
        $told = [...$this->ofRuns($runs, $since), ...$this->ofInstruments($since)];
        $notes = ShiftNote::query()->where('at', '>=', $since)->with('by')->latest('at')->limit(self::MOST_TOLD);
        foreach ($notes->get() as $note) {
            $told[] = new ToldData(
                Seconds::of($note->at),
                $note->by->name,
                'for the next shift',
                $note->text,
                true,
                null,
            );
        }
        usort($told, static fn (ToldData $a, ToldData $b): int => [$b->own, $b->at] <=> [$a->own, $a->at]);

        return array_slice($told, 0, self::MOST_TOLD);
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<ToldData> notes, what stood still, was stopped or taken out, and what was gone on from anyway
     */
    private function ofRuns(Collection $runs, CarbonImmutable $since): array
    {
        $told = [EventType::Noted, EventType::Interrupted, EventType::PieceDropped, EventType::Aborted];
        $anyway = static fn (Builder $q) => $q->where('type', EventType::StepDone)->whereNotNull('data->reason');
        $events = RunEvent::query()->whereIn('run_id', $runs->modelKeys())
            ->where('at', '>=', $since)
            ->where(static fn (Builder $q) => $q->whereIn('type', $told)->orWhere($anyway))
            ->with('by')
            ->latest('at')
            ->limit(self::MOST_TOLD)
            ->get();

        return array_values($events->map(static function (RunEvent $e) use ($runs): ToldData {
            $run = $runs->findOrFail($e->run_id);
            $why = (string) ($e->data['text'] ?? $e->data['reason'] ?? '');

            return new ToldData(
                Seconds::of($e->at),
                $e->by->name,
                "{$run->product->name}, run {$run->number}",
                match ($e->type) {
                    EventType::Interrupted => "It stood still: {$why}",
                    EventType::PieceDropped => "One was taken out: {$why}",
                    EventType::Aborted => "It was stopped: {$why}",
                    EventType::StepDone => "Gone on before it was time: {$why}",
                    default => $why,
                },
                false,
                $e->run_id,
            );
        })->all());
    }

    /** @return list<ToldData> */
    private function ofInstruments(CarbonImmutable $since): array
    {
        return array_map(static fn (AlarmData $a): ToldData => new ToldData(
            $a->began_at,
            $a->by,
            $a->machine,
            $a->note === '' ? $a->says : "{$a->says}: {$a->note}",
            false,
            $a->run_id,
        ), $this->alarms->since($since));
    }

    /**
     * @param  list<LaneData>  $lanes
     * @return list<LeftMachineData>
     */
    private function left(array $lanes): array
    {
        $machines = Machine::query()->whereKey(array_column($lanes, 'machine_id'))->with('hung')->get();
        $left = [];
        foreach ($lanes as $lane) {
            $machine = $machines->findOrFail($lane->machine_id);
            $empty = $machine->last_polymer === null && $machine->hung === null;
            if ($empty && $lane->says === 'free' && ! Touch::isHot($lane->measured_c)) {
                continue;
            }
            $left[] = new LeftMachineData(
                $machine->id,
                $machine->name,
                $lane->says,
                $machine->last_polymer,
                $machine->hung?->name,
                $lane->measured_c,
                $lane->run_id,
            );
        }

        return $left;
    }
}
