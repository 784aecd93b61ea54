<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Weighing;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use App\Runs\Models\Inspection;
use App\Runs\Models\JobChange;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Models\RunStation;
use App\Runs\Support\OutputKind;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Learning\Done;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Left;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Dithermic\Core\Stock\ChargeLots;
use Illuminate\Support\Facades\DB;

/**
 * Adds entries to a run's log, each once however often it is sent, in the order sent, and lets the lot's ledger, the
 * inspection and the list follow. Entries that the core refuses are answered with the reason; the others are stored.
 */
final readonly class RecordEvents
{
    /** what of a run is looked at */
    private const READ = [
        'events.by',
        'procedureVersion',
        'product',
        'stations.machine',
        'materials.lot.source',
        'charges',
    ];

    /** of so many pieces the model is kept as they really went: those that may still be under way */
    private const PICTURED = 4;

    /** a sender's clock may run this far ahead, s */
    private const AHEAD_S = 10.0;

    public function __construct(
        private Processes $processes,
        private PolymerLibrary $polymers,
        private Places $places,
        private ShopClock $clock,
        private TakeCharge $takeCharge,
        private TellSource $tellSource,
        private AddToLot $addToLot,
        private RaiseWear $wear,
    ) {
    }

    /**
     * @param  list<array{event: Event, by: User|null}>  $incoming  by is null where the author is not proved
     * @return array{stored: list<string>, refused: list<array{key: string, error: InputError}>}
     */
    public function __invoke(Run $run, array $incoming): array
    {
        return DB::transaction(function () use ($run, $incoming): array {
            // Two screens writing to one run take turns here.
            $locked = Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            $run->setRawAttributes($locked->getAttributes(), true)->unsetRelations()->load(self::READ);
            $machine = $run->machineOfState();
            $state = $run->state();
            $seq = $run->events->count();
            $stored = [];
            $refused = [];
            $touched = [];
            $last = null;
            foreach ($incoming as ['event' => $event, 'by' => $by]) {
                if (isset($state->keys[$event->key])) {
                    $before = $run->events->first(static fn (RunEvent $e): bool => $e->key === $event->key);
                    if ($before !== null && ($before->type !== $event->type || $before->data != $event->data)) {
                        $refused[] = [
                            'key' => $event->key,
                            'error' => new InputError(
                                'key',
                                'was used before for another entry: this one was not stored, send it with a new one',
                            ),
                        ];
                    } else {
                        $stored[] = $event->key;
                    }

                    continue;
                }
                try {
                    if ($by === null) {
                        throw new InputError(
                            'by_id',
                            'names somebody who was not signed in on this screen then: that person enters it',
                        );
                    }
                    $error = $this->refusesTime($run, $event) ?? $machine
                        ->refuses($state, $event) ?? $this
                        ->refusesPlace($run, $machine, $state, $event);
                    if ($error !== null) {
                        throw $error;
                    }
                    // Only what moves stock or judges can fail half-way and is taken back by itself.
                    if ($event->type === EventType::Logged || $event->type === EventType::Corrected) {
                        DB::transaction(fn () => $this->effects($run, $machine->procedure, $state, $event, $by));
                    }
                } catch (InputError $error) {
                    $refused[] = ['key' => $event->key, 'error' => $error];

                    continue;
                }
                $entered = RunEvent::query()->create([
                    'run_id' => $run->id,
                    'seq' => ++$seq,
                    'key' => $event->key,
                    'type' => $event->type,
                    'at' => Seconds::moment($event->at),
                    'by_id' => $by->id, 'data' => $event->data, 'recorded_at' => CarbonImmutable::now(),
                    'source' => $event->source,
                ]);
                // Added to what is folded, and to what it was folded from.
                $run->events->push($entered->setRelation('by', $by));
                $machine->apply($state, $event);
                if ($event->type === EventType::Logged) {
                    $this->wear->lookFor($run, (string) $event->text('entry'), $by);
                }
                $touched[$event->piece()
                    ?? $state->entries[$event->text('event') ?? '']['piece'] ?? count($state->pieces)] = true;
                $this->follow($run, $machine->procedure, $state, $event);
                $stored[] = $event->key;
                $last = $by;
            }
            $this->keepPieces($run, $machine->procedure, $state, $touched);
            $this->places->keep($run, $machine->procedure, $state);
            $still = $state->interruptedSince();
            $ends = $run->status === RunState::RUNNING && $state->status === RunState::FINISHED;
            $run->fill([
                'status' => $state->status,
                'step' => $state->step,
                'ended_at' => $state->endedAt === null ? null : Seconds::moment($state->endedAt),
                'still_since' => $still === null ? null : Seconds::moment($still),
                'done' => $state->status === RunState::FINISHED
                    ? Done::figures($this->processes->get($run->product->process), $machine->procedure, $state)
                    : null,
            ])->save();
            if ($ends && $last !== null) {
                ($this->tellSource)($run, $last);
            }

            return ['stored' => $stored, 'refused' => $refused];
        });
    }

    /** What the run's drawings show follows what really happened; the log and the plan stay as they are. */
    private function follow(Run $run, Procedure $procedure, RunState $state, Event $event): void
    {
        $timer = $event->type === EventType::StepDone
            ? ($procedure->step((string) $event->text('step'))->timer ?? null)
            : null;
        $piece = $event->piece();
        $started = $timer === null ? null : ($state->thread($piece)->timers[$timer]['started_at'] ?? null);
        if ($timer === null || $started === null) {
            return;
        }
        $picture = $this->processes->get($run->product->process)
            ->follow($run->setup, $procedure->timer($timer)->kind ?? '', ($event->at - $started) / 60);
        if ($picture === null) {
            return;
        }
        $run->setup = $piece === null ? $picture : [
            'pieces' => array_slice(
                [$piece => self::ofPiece($picture)] + ($run->setup['pieces'] ?? []),
                0,
                self::PICTURED,
                true,
            ),
        ] + $run->setup;
    }

    /**
     * Of a piece, what the model says of it; what was planned is the run's.
     *
     * @param  array<string, mixed>  $picture
     * @return array<string, mixed>
     */
    private static function ofPiece(array $picture): array
    {
        return array_intersect_key($picture, ['curve' => true, 'turn_min' => true, 'model' => true]);
    }

    private function refusesTime(Run $run, Event $event): ?InputError
    {
        return match (true) {
            $event->at > $this->clock->now() + self::AHEAD_S => new InputError(
                'at',
                'is in the future: check this device\'s clock',
            ),
            $event->at < (float) $run->started_at->format('U.v') - self::AHEAD_S => new InputError(
                'at',
                'is before the run started',
            ),
            default => null,
        };
    }

    /** Two runs at one machine: what the first still has there, the second would spoil. */
    private function refusesPlace(Run $run, RunMachine $machine, RunState $state, Event $event): ?InputError
    {
        $step = $event->type === EventType::StepDone ? $machine->procedure->step((string) $event->text('step')) : null;
        $next = $step === null ? null : $machine->procedure->after($step);
        if ($step === null || $next === null || $next->place === $step->place) {
            return null;
        }
        $there = $run->machineAs($next->place);
        $holder = $there === null ? null : $this->places->holder($there, $run->id);

        return $holder === null || $event->text('reason') !== null ? null
            : new InputError(
                'data.reason',
                "{$there?->name} is still held by run {$holder->number}: two in one place spoil each other. Use another, or give a reason",
            );
    }

    private function effects(Run $run, Procedure $procedure, RunState $state, Event $event, User $by): void
    {
        $original = $event->type === EventType::Corrected ? $state->entries[(string) $event->text('event')] : null;
        $entry = $original['entry'] ?? (string) $event->text('entry');
        $values = array_merge($original['values'] ?? [], $event->data['values'] ?? []);
        $piece = $event->piece() ?? ($original['piece'] ?? null);
        match ($procedure->entry($entry)->effect ?? null) {
            'draw_lot' => $this->draw($run, $state, $event, $by, $values, $original),
            'inspect' => $this->inspect($run, $event, $entry, $values, $piece),
            'dispose' => $this->dispose($run, $event, $by, $values, $original['values'] ?? [], $piece),
            'leaves' => $this->leave($run, $values, $run->materialAt($original['at'] ?? $event->at, $state)->lot),
            default => null,
        };
    }

    /**
     * What stays in the main machine, and whether the mould does: what the next job finds there.
     *
     * @param  array<string, mixed>  $values
     * @param  Lot  $last  that went in
     */
    private function leave(Run $run, array $values, Lot $last): void
    {
        try {
            $left = Left::of(new Record($values), $this->polymers->get($run->polymer));
        } catch (InputError $error) {
            throw $error->under('data.values');
        }
        $machine = $run->mainMachine();
        if ($this->movedOn($run, $machine)) {
            return;
        }
        $machine->fill([
            'last_polymer' => $left->polymer,
            'last_swatch' => $left->own ? $last->swatch : null,
        ]);
        if (! $left->mouldStays) {
            $machine->hang(null);
        }
        $machine->save();
    }

    /**
     * Whether a machine had a later run or a change: what is said, or put right, of this one says nothing of it any
     * more.
     */
    private function movedOn(Run $run, Machine $machine): bool
    {
        $began = $run->started_at->format('Y-m-d H:i:s.vP');

        return JobChange::query()->where('machine_id', $machine->id)->where('at', '>', $began)->exists()
            || RunStation::query()->where('machine_id', $machine->id)
                ->whereHas('run', static fn ($later) => $later->where('number', '>', $run->number))
                ->exists();
    }

    /**
     * A weighed charge came off its lots at the scale already; what goes in beyond the run's charges is drawn from the
     * lot that goes in then.
     *
     * @param  array<string, mixed>  $values
     * @param  array{at: float, values: array<string, mixed>}|null  $original  the entry that is put right
     */
    private function draw(Run $run, RunState $state, Event $event, User $by, array $values, ?array $original): void
    {
        $before = $original['values'] ?? [];
        if (($values['charge'] ?? null) !== ($before['charge'] ?? null)) {
            ($this->takeCharge)($run, $values['charge'] ?? null, $before !== [], Seconds::moment($event->at));
        }
        $given = (float) Weighing::query()->whereIn('charge_id', $run->charges->modelKeys())->sum('mass_g');
        $logged = (float) $values['mass_g'] - (float) ($before['mass_g'] ?? 0);
        foreach ($state->entries as $entry) {
            $draws = ($run->procedureVersion->procedure()->entry($entry['entry'])->effect ?? null) === 'draw_lot';
            $logged += $draws ? (float) $entry['values']['mass_g'] : 0.0;
        }
        $material = $run->materialAt($original['at'] ?? $event->at, $state);
        $lot = Lot::query()->whereKey($material->lot_id)->lockForUpdate()->firstOrFail();
        $drawn = -(float) LotMovement::query()
            ->whereIn('lot_id', $run->materials->pluck('lot_id'))
            ->where('run_id', $run->id)
            ->whereIn('kind', [MovementKind::Drawn, MovementKind::Corrected])->sum('mass_g');
        $change = $drawn - ChargeLots::beyond($given, $logged);
        if (abs($change) < 1e-6) {
            return;
        }
        $held = (float) LotMovement::query()->where('lot_id', $lot->id)->sum('mass_g');
        if ($held + $change < -1e-6) {
            throw new InputError('data.values.mass_g', sprintf('lot %s holds only %.0f g', $lot->code, $held));
        }
        LotMovement::query()->create([
            'lot_id' => $lot->id,
            'mass_g' => round($change, 3),
            'kind' => $event->type === EventType::Corrected ? MovementKind::Corrected : MovementKind::Drawn,
            'reason' => $event->text('reason') ?? "run {$run->number}",
            'run_id' => $run->id,
            'event_key' => $event->key,
            'by_id' => $by->id,
            'at' => Seconds::moment($event->at),
        ]);
        $material->update(['mass_g' => round(max(0.0, (float) $material->mass_g - $change), 3)]);
    }

    /**
     * A good piece goes to the goods, or into a lot where it is material again; a verdict that is put right takes it
     * back again.
     *
     * @param  array<string, mixed>  $values
     * @param  array<string, mixed>  $before
     */
    private function dispose(Run $run, Event $event, User $by, array $values, array $before, ?int $piece): void
    {
        // A piece has its own verdict, kept beside it; this is of a run that is one pass.
        if ($piece === null) {
            $run->fill([
                'verdict' => $values['verdict'],
                'scrap_reason' => $values['verdict'] === 'scrap' ? ($values['reason'] ?? null) : null,
            ]);
        }
        $count = ($values['verdict'] === 'good' ? 1 : 0) - (($before['verdict'] ?? null) === 'good' ? 1 : 0);
        $form = $count === 0 ? null : $this->processes->get($run->product->process)->outForm($run->plan);
        if ($form !== null) {
            ($this->addToLot)($run, $event, $by, $form, $count, $piece);
        } elseif ($count !== 0) {
            $run->outputs()->create([
                'kind' => OutputKind::Goods,
                'product_id' => $run->product_id,
                'count' => $count * max(1, (int) ($run->plan['parts_per_piece'] ?? 1)),
                'event_key' => $event->key,
                'at' => Seconds::moment($event->at),
            ]);
        }
    }

    /**
     * What lists and counts need of the pieces that these events touched.
     *
     * @param  array<int, true>  $touched
     */
    private function keepPieces(Run $run, Procedure $procedure, RunState $state, array $touched): void
    {
        $rows = [];
        foreach (array_intersect_key($state->pieces, $touched) as $number => $piece) {
            $verdict = $this->verdict($procedure, $state, $number);
            $rows[] = [
                'run_id' => $run->id,
                'number' => $number,
                'outcome' => $piece->outcome,
                'verdict' => $verdict['verdict'] ?? null,
                'reason' => $verdict['reason'] ?? null,
                'began_at' => Seconds::moment($piece->beganAt()),
                'ended_at' => $piece->outcome === Thread::OPEN ? null : Seconds::moment($piece->stepSince),
                'clocked' => json_encode((object) $procedure->clocked($piece), JSON_THROW_ON_ERROR),
            ];
        }
        if ($rows !== []) {
            Piece::query()->upsert(
                $rows,
                ['run_id', 'number'],
                ['outcome', 'verdict', 'reason', 'began_at', 'ended_at', 'clocked'],
            );
        }
    }

    /** @return array<string, mixed>|null */
    private function verdict(Procedure $procedure, RunState $state, int $piece): ?array
    {
        foreach ($state->entries as $logged) {
            if ($logged['piece'] === $piece && ($procedure->entry($logged['entry'])->effect ?? null) === 'dispose') {
                return $logged['values'];
            }
        }

        return null;
    }

    /** @param  array<string, mixed>  $values */
    private function inspect(Run $run, Event $event, string $entry, array $values, ?int $piece): void
    {
        try {
            $inspected = $this->processes->get($run->product->process)
                ->inspect($entry, new Record($values, 'values'), $run->plan, $this->polymers->get($run->polymer));
        } catch (InputError $error) {
            throw $error->under('data.values');
        }
        Inspection::query()->create([
            'run_id' => $run->id,
            'event_key' => $event->key,
            'kind' => $inspected->kind,
            'piece' => $piece,
            'mass_g' => $inspected->massG,
            'figures' => $inspected->figures,
            'result' => $inspected->result,
            'at' => Seconds::moment($event->at),
        ]);
    }
}
