<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Lot;
use App\Runs\Actions\Places;
use App\Runs\Data\BreakData;
use App\Runs\Data\CheckData;
use App\Runs\Data\EventData;
use App\Runs\Data\HandData;
use App\Runs\Data\InsideData;
use App\Runs\Data\PieceData;
use App\Runs\Data\PlausibleData;
use App\Runs\Data\RunData;
use App\Runs\Data\RunMaterialData;
use App\Runs\Data\RunOutputData;
use App\Runs\Data\RunSummaryData;
use App\Runs\Data\StandingEntryData;
use App\Runs\Data\StationData;
use App\Runs\Data\StepData;
use App\Runs\Data\TimerData;
use App\Runs\Models\Inspection;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Models\RunMaterial;
use App\Runs\Models\RunStation;
use App\Shop\Queries\PresentShop;
use App\Support\Seconds;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Entry;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Hand;
use Dithermic\Core\Run\Plausible;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Illuminate\Support\Collection;

/** Runs as the Data classes that go over the wire. */
final readonly class PresentRun
{
    public function __construct(
        private PolymerLibrary $polymers,
        private Processes $processes,
        private MadeOf $madeOf,
        private Places $places,
        private PresentShop $shop,
    ) {
    }

    public function summary(Run $run): RunSummaryData
    {
        $process = $this->processes->get($run->product->process);
        $procedure = $run->procedureVersion->procedure();

        return new RunSummaryData(
            $run->id,
            $run->number,
            $run->product->process,
            $run->product->name,
            $run->product_id,
            $run->polymer,
            $run->mainMachine()->name,
            array_values($run->stations->map(fn (RunStation $s): StationData => new StationData(
                $s->role,
                $process->role($s->role)->title ?? $s->role,
                $s->machine->name,
                $s->machine_id,
                $this->processes->learningOf($s->machine->kind) !== null,
            ))->all()),
            $run->set_c,
            $run->mainLot()->code,
            $run->status,
            $run->step,
            $procedure->step((string) $run->step)->title
                ?? ($run->status === RunState::RUNNING ? ucfirst($procedure->pieceName()).'s' : ''),
            $run->still_since === null ? null : Seconds::of($run->still_since),
            $procedure->looks((string) $run->step),
            $run->verdict,
            $run->scrap_reason,
            Seconds::of($run->started_at),
            $run->ended_at === null ? null : Seconds::of($run->ended_at),
            $run->starter->name,
            $process->figuresOf($run->plan, $run->inspection->figures ?? []),
            $run->good(),
            $run->bad(),
        );
    }

    /** @param  int  $since  the newest entry that the asker knows of; 0 for the whole */
    public function run(Run $run, int $since = 0): RunData
    {
        $state = $run->state();
        // Who knows of more than there is has seen another shop.
        $since = $since > $run->events->count() ? 0 : max(0, $since);
        // They are numbered from 1 without a gap.
        $fresh = $run->events->slice($since);
        [$entries, $pieces] = $since === 0 ? [$state->entries, $state->pieces] : self::touched($state, $fresh);
        // What it shows follows the steps as they really ended (RecordEvents).
        $followed = $since === 0 || $fresh->contains(static fn (RunEvent $e): bool => $e->type === EventType::StepDone);
        $machine = $run->machineOfState();
        $procedure = $machine->procedure;
        $now = Seconds::now();
        $steps = [];
        foreach ($procedure->steps() as $step) {
            $done = $state->done[$step->id] ?? null;
            $current = $state->isAt($step) && $state->status === RunState::RUNNING;
            $steps[] = new StepData(
                $step->id, $step->stage, $step->title, $done !== null ? 'done' : ($current ? 'current' : 'todo'),
                $done['at'] ?? null,
                $done['by'] ?? null,
                $done['reason'] ?? null,
                $current ? $machine->missing($state, $step->id, $now) : [],
            );
        }

        $process = $this->processes->get($run->product->process);
        $inside = $state->status === RunState::RUNNING
            ? $process->inside($state, $run->plan, $this->polymers->get($run->polymer), $now)
            : null;

        return new RunData(
            $this->summary($run),
            (object) $run->plan,
            (object) $run->choices,
            (object) ($followed ? $run->setup : []),
            (object) ($since === 0 ? $run->safety : []),
            (object) ($since === 0 ? $procedure->body : []),
            $steps,
            $this->timers($procedure, $state),
            self::byStep($state),
            $this->pieces($process, $machine, $state, $pieces, $run->plan, $now),
            array_values($run->outputs->map(RunOutputData::of(...))->all()),
            $state->closing,
            $this->places->contested($run),
            $process->troubles($state),
            array_map(BreakData::of(...), $state->breaks),
            array_values(array_map(
                static fn (array $e): StandingEntryData => new StandingEntryData(
                    $e['key'],
                    $e['entry'],
                    $e['at'],
                    $e['by'],
                    (object) $e['values'],
                    $e['step'],
                    $e['corrected'],
                    $e['piece'],
                ),
                $entries,
            )),
            array_values($fresh->map(fn (RunEvent $e): EventData => $this->event($e))->all()),
            $this->hands($run, $state),
            $run->inspection === null ? null : (object) $run->inspection->result,
            array_values($run->inspections->map(static fn (Inspection $c): CheckData => new CheckData(
                $c->piece,
                $c->kind,
                $c->mass_g,
                (object) $c->figures,
                Seconds::of($c->at),
            ))->all()),
            $inside === null ? null : InsideData::of($inside),
            $this->shop->marks($run->polymer, $process),
            $this->materials($run),
            $this->madeOf->run($run),
            (object) $process->inMarks($run->mainMachine()->facts, $run->plan),
            $since,
            count($process->listens($state)),
            $state->stepSince,
            $now,
            $since === 0 && $state->status === RunState::RUNNING ? array_map(PlausibleData::of(...), Plausible::of(
                $procedure,
                $run->plan,
                $run->polymer,
                $this->polymers->get($run->polymer)->ceiling(),
            )) : [],
        );
    }

    public function event(RunEvent $event): EventData
    {
        return new EventData(
            $event->key,
            $event->seq,
            $event->type->value,
            $event->seconds('at'),
            $event->seconds('recorded_at'),
            $event->by->name,
            $event->source->value,
            (object) $event->data,
        );
    }

    /** @return list<HandData> */
    public function hands(Run $run, RunState $state): array
    {
        $machine = $run->machineOfState();
        $last = $state->lastHands();
        // A piece that nobody has begun is of who was at the one before.
        $lastOfAll = end($last) ?: null;

        return array_map(fn (Hand $hand): HandData => new HandData(
            "/run/{$run->id}",
            $run->id,
            $run->number,
            "{$run->product->name}, run {$run->number}",
            $this->placeName($run, $hand->place),
            $hand->at,
            $hand->what,
            $hand->why,
            $hand->step,
            $hand->entry,
            self::button($hand->entry === null ? null : $machine->procedure->entry($hand->entry)),
            $hand->timer,
            $hand->people,
            $hand->piece,
            round($hand->presses(), 3),
            $hand->wait->value,
            round($hand->minutes, 2),
            $last[$hand->piece ?? 0] ?? $lastOfAll,
        ), $machine->calls($state));
    }

    /** What one touch logs; of what has to be said more of, nothing. */
    private static function button(?Entry $entry): ?string
    {
        return $entry?->isOneTouch() === true ? $entry->title : null;
    }

    /** The machine of a place, or what the place is called where no machine is. */
    public function placeName(Run $run, string $place): string
    {
        return $run->machineAs($place)->name
            ?? ucfirst($run->procedureVersion->procedure()->place($place)->title ?? $place);
    }

    /**
     * Every lot that a run was made of, by mass.
     *
     * @return list<RunMaterialData>
     */
    public function materials(Run $run): array
    {
        $of = static fn (Lot $l, ?float $mass): RunMaterialData => new RunMaterialData(
            $l->id,
            $l->code,
            $l->polymer,
            $l->colour,
            $l->swatch,
            $l->form,
            $l->source->name,
            $l->source->state->value,
            $mass,
        );
        $materials = array_values($run->materials->map(static fn (RunMaterial $m): RunMaterialData => $of(
            $m->lot,
            $m->mass_g === null ? null : (float) $m->mass_g,
        ))->all());
        usort($materials, static fn (RunMaterialData $a, RunMaterialData $b): int => $b->mass_g <=> $a->mass_g);

        return $materials;
    }

    /** @return list<TimerData> */
    private function timers(Procedure $procedure, Thread $thread): array
    {
        return array_values(array_map(static function (array $timer) use ($procedure): TimerData {
            $about = $procedure->timer($timer['id']);

            return new TimerData(
                $timer['id'],
                $about->title ?? ($timer['id'] === RunMachine::RESTART ? 'Hot through again' : ''),
                $about->kind ?? 'wait',
                $timer['started_at'],
                $timer['ends_at'],
                $timer['minutes'],
                $timer['answered_at'],
            );
        }, $thread->timers));
    }

    private static function byStep(Thread $thread): object
    {
        return (object) array_map(static fn (array $items): object => (object) $items, $thread->confirmed);
    }

    /**
     * Entries and pieces that some events are about; pieces under way too, for their clocks run on.
     *
     * @param  Collection<int, RunEvent>  $events
     * @return array{array<string, array{key: string, entry: string, at: float, by: string, values: array<string, mixed>, step: ?string, corrected: int, piece: ?int}>, array<int, Thread>}
     */
    private static function touched(RunState $state, Collection $events): array
    {
        $keys = [];
        $about = [];
        foreach ($events as $event) {
            $keys[$event->key] = $keys[(string) ($event->data['event'] ?? '')] = true;
            $about[(int) ($event->data['piece'] ?? 0)] = true;
        }
        $entries = array_intersect_key($state->entries, $keys);
        $about += array_flip(array_filter(array_column($entries, 'piece')));

        return [$entries, array_filter(
            $state->pieces,
            static fn (Thread $p): bool => isset($about[(int) $p->piece]) || $p->outcome === Thread::OPEN,
        )];
    }

    /**
     * @param  array<int, Thread>  $pieces
     * @param  array<string, float|int|string|null>  $plan
     * @return list<PieceData>
     */
    private function pieces(
        Definition $process,
        RunMachine $machine,
        RunState $state,
        array $pieces,
        array $plan,
        float $now,
    ): array {
        return array_values(array_map(fn (Thread $piece): PieceData => new PieceData(
            (int) $piece->piece,
            $piece->outcome,
            $piece->step,
            $piece->stepSince,
            array_keys($piece->done),
            $this->timers($machine->procedure, $piece),
            self::byStep($piece),
            $piece->step === null ? [] : $machine->missing($state, $piece->step, $now, $piece->piece),
            $process->flags($state, $piece, $plan),
            (object) $machine->procedure->clocked($piece),
        ), $pieces));
    }
}
