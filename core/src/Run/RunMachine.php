<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\InputError;

/**
 * The run as a pure fold over its events, and the rules by which an event is let in. Set-up steps are done once, then
 * the pieces go down their own steps, each on its own clock and as many at once as the places hold, then the closing
 * steps. It knows steps, gates, timers and entries from the procedure's data, and no process by name.
 */
final readonly class RunMachine
{
    /** the timer of an interruption: until what is in the machine is as it was */
    public const RESTART = 'restart';

    /** min that it may ask for */
    private const LONGEST_WAIT = 600;

    private Forecast $forecast;

    private Room $rooms;

    /** @param  array<string, float|int|string|null>  $plan the numbers that the procedure's data refers to */
    public function __construct(public Procedure $procedure, public array $plan)
    {
        $this->rooms = new Room($procedure, $plan);
        $this->forecast = new Forecast($procedure, $plan, $this->rooms);
    }

    /** @param  iterable<Event>  $events in the order in which they were stored */
    public function fold(iterable $events): RunState
    {
        $state = new RunState;
        foreach ($events as $event) {
            $this->apply($state, $event);
        }

        return $state;
    }

    /** Lets one more event in, changing the state; the caller has asked refuses() first. */
    public function apply(RunState $state, Event $event): void
    {
        $state->keys[$event->key] = true;
        $thread = $state->thread($event->piece()) ?? $state;
        match ($event->type) {
            EventType::Started => $this->start($state, $event),
            EventType::Confirmed => $thread->confirmed[(string) $event->text('step')][(string) $event->text('item')] = $event->at,
            EventType::Logged => $this->log($state, $thread, $event),
            EventType::Corrected => $this->correct($state, $event),
            EventType::StepDone => $this->finishStep($state, $thread, $event),
            EventType::Extended => $this->extend($thread, $event),
            EventType::Noted => null,
            EventType::PieceBegun => $this->beginPiece($state, $event),
            EventType::PieceDropped => $this->dropPiece($thread, $event),
            EventType::Closing => $this->close($state, $event),
            EventType::Interrupted => $state->breaks[] = [
                'from' => $event->at,
                'to' => null,
                'reason' => (string) $event->text('reason'),
                'by' => $event->by,
            ],
            EventType::Resumed => $this->resume($state, $event),
            EventType::LotChanged => $state->lots[] = [
                'from' => $event->at,
                'lot' => (int) $event->number('lot'),
                'code' => (string) $event->text('code'),
            ],
            EventType::Aborted => $this->end($state, RunState::ABORTED, $event->at),
        };
    }

    /** Why an event may not be let in now; null when it may. */
    public function refuses(RunState $state, Event $event): ?InputError
    {
        if ($state->startedAt === null) {
            return $event->type === EventType::Started ? null : new InputError('type', 'the run has not been started');
        }
        if ($event->type === EventType::Started) {
            return new InputError('type', 'the run is already started');
        }
        if ($event->type === EventType::Noted) {
            return $event->text('text') === null ? new InputError('data.text', 'write what you saw') : null;
        }
        if ($event->type === EventType::Corrected) {
            return $this->refusesCorrection($state, $event);
        }
        if ($state->status !== RunState::RUNNING) {
            return new InputError('type', "the run is {$state->status}: only notes and corrections can be added");
        }
        $thread = $state->thread($event->piece());
        if (
            $event->type !== EventType::PieceBegun
            && (isset($event->data['piece']) && $event->piece() === null || $thread === null)
        ) {
            return new InputError('data.piece', "is no {$this->procedure->pieceName()} of this run");
        }
        if ($event->type !== EventType::PieceBegun && $thread->outcome !== Thread::OPEN) {
            return new InputError(
                'data.piece',
                "is {$thread->outcome}: nothing more is logged on {$this->procedure->pieceName()} {$thread->piece}",
            );
        }

        return match ($event->type) {
            EventType::Confirmed => $this->refusesConfirmation($thread ?? $state, $event),
            EventType::Logged => $this->refusesEntry($state, $thread ?? $state, $event),
            EventType::StepDone => $this->refusesStep($state, $thread ?? $state, $event),
            EventType::Extended => $this->refusesExtension($thread ?? $state, $event),
            EventType::PieceBegun => $this->refusesPiece($state, $event),
            EventType::PieceDropped => $this->refusesDrop($event),
            EventType::Closing => $this->refusesClosing($state),
            EventType::Interrupted => $this->refusesInterruption($state, $event),
            EventType::Resumed => $this->refusesReturn($state, $event),
            EventType::LotChanged => $this->refusesLot($state, $event),
            EventType::Aborted => $event->text('reason') === null
                ? new InputError('data.reason', 'say why the run is stopped')
                : null,
        };
    }

    /**
     * What is still missing before a step may be called done at a moment.
     *
     * @return list<string>
     */
    public function missing(RunState $state, string $stepId, float $at, ?int $piece = null): array
    {
        $step = $this->procedure->step($stepId);
        $thread = $state->thread($piece);
        if ($step === null || $thread === null) {
            return [];
        }
        $missing = [];
        $cold = $this->cold($state, $step, $at);
        if ($cold !== null) {
            $missing[] = $cold;
        }
        foreach ($step->gates as $gate) {
            $lack = $gate->lacks($thread, $state, $step, $this->plan, $at, $this->rooms);
            if ($lack !== null) {
                $missing[] = $lack;
            }
        }
        $next = $this->procedure->after($step);
        $taken = $next === null || $next->place === $step->place ? null : $this->taken($state, $next->place, $piece);

        return $taken === null ? $missing : [...$missing, $taken];
    }

    /**
     * What needs hands next, soonest first.
     *
     * @return list<Hand>
     */
    public function hands(RunState $state): array
    {
        return $this->forecast->hands($state);
    }

    /**
     * What calls for hands, and rings: hands() and next() of a run that goes on.
     *
     * @return list<Hand>
     */
    public function calls(RunState $state): array
    {
        return $this->forecast->calls($state);
    }

    /** The piece that could be begun now; null where none can. */
    public function next(RunState $state): ?Hand
    {
        return $this->forecast->next($state);
    }

    /**
     * The run as stretches of time at its places.
     *
     * @return list<array{step: string, place: string, title: string, kind: string, from: float, to: float, phase: string, piece: ?int}>
     */
    public function stretches(RunState $state, float $now): array
    {
        return $this->forecast->stretches($state, $now);
    }

    /** The coolest of the temperatures that were last logged where heat goes in, °C; null when none was. */
    public function measured(RunState $state): ?float
    {
        foreach (array_reverse($state->entries) as $logged) {
            $entry = $this->procedure->entry($logged['entry']);
            if ($entry === null || ! $this->procedure->isOfHeat($entry->id)) {
                continue;
            }
            $values = [];
            foreach ($entry->fields as $field) {
                $value = $logged['values'][$field->id] ?? null;
                if ($field->dimension === 'temperature' && is_numeric($value)) {
                    $values[] = (float) $value;
                }
            }
            if ($values !== []) {
                return min($values);
            }
        }

        return null;
    }

    /** What a step that needs heat lacks of it since a break, in words; null where it lacks none. */
    public function cold(RunState $state, Step $step, float $at): ?string
    {
        $restart = $state->timers[self::RESTART] ?? null;

        return match (true) {
            ! $step->needsHeat => null,
            $state->interruptedSince() !== null => 'it is interrupted: say when it goes on',
            $restart === null || $restart['answered_at'] !== null => null,
            default => Gate::toGo('hot through again', $restart['ends_at'] - $at),
        };
    }

    private function start(RunState $state, Event $event): void
    {
        $state->startedAt = $state->stepSince = $event->at;
        $state->step = $this->procedure->first(Phase::SetUp)?->id;
    }

    private function log(RunState $state, Thread $thread, Event $event): void
    {
        $id = (string) $event->text('entry');
        $state->entries[$event->key] = [
            'key' => $event->key,
            'entry' => $id,
            'at' => $event->at,
            'by' => $event->by,
            'values' => $event->values(),
            'step' => $event->text('step') ?? $thread->step,
            'corrected' => 0,
            'piece' => $thread->piece,
        ];
        $entry = $this->procedure->entry($id);
        if ($entry?->delays !== null) {
            self::delay($thread, $entry->delays, (float) ($this->plan[(string) $entry->delay] ?? 0));
        }
        if ($entry?->again !== null) {
            $this->sendBack($thread, $entry->again, $event->at);
        }
    }

    /** It is at that step again: what was done of it and after it is to be done once more, and its timer runs anew. */
    private function sendBack(Thread $thread, Again $again, float $at): void
    {
        $to = $this->procedure->step($again->to);
        if ($to === null) {
            return;
        }
        for ($step = $to; $step !== null; $step = $this->procedure->after($step)) {
            unset($thread->done[$step->id], $thread->confirmed[$step->id], $thread->timers[(string) $step->timer]);
        }
        $thread->step = $to->id;
        $thread->stepSince = $at;
        if ($to->timer !== null) {
            $this->startTimer($thread, $to->timer, $at, $again->minutes);
        }
    }

    /** @param  string|null  $minutes  the plan's name of them, where it is not the timer's own */
    private function startTimer(Thread $thread, string $timer, float $at, ?string $minutes = null): void
    {
        $takes = (float) ($this->plan[$minutes ?? $this->procedure->timer($timer)->minutes ?? ''] ?? 0);
        $thread->timers[$timer] = [
            'id' => $timer,
            'started_at' => $at,
            'ends_at' => $at + 60 * $takes,
            'minutes' => $takes,
            'answered_at' => null,
        ];
    }

    /** A timer that runs is over later. */
    private static function delay(Thread $thread, string $timer, float $minutes): void
    {
        if (isset($thread->timers[$timer]) && $thread->timers[$timer]['answered_at'] === null) {
            $thread->timers[$timer]['ends_at'] += 60 * $minutes;
            $thread->timers[$timer]['minutes'] += $minutes;
        }
    }

    private function finishStep(RunState $state, Thread $thread, Event $event): void
    {
        $step = $this->procedure->step((string) $event->text('step'));
        if ($step === null) {
            return;
        }
        $thread->done[$step->id] = [
            'at' => $event->at,
            'by' => $event->by,
            'reason' => $event->text('reason'),
            'began' => $thread->stepSince,
        ];
        // One that was gone on from anyway leaves the wait to those after it.
        if ($step->needsHeat && $event->at >= ($state->timers[self::RESTART]['ends_at'] ?? INF)) {
            $state->timers[self::RESTART]['answered_at'] ??= $event->at;
        }
        if ($step->timer !== null && isset($thread->timers[$step->timer])) {
            $thread->timers[$step->timer]['answered_at'] = $event->at;
        }
        if ($step->starts !== null) {
            $this->startTimer($thread, $step->starts, $event->at);
        }
        $next = $this->procedure->after($step);
        $thread->step = $next?->id;
        $thread->stepSince = $event->at;
        if ($next !== null) {
            return;
        }
        if ($thread->piece !== null) {
            $thread->outcome = Thread::DONE;
        } elseif ($state->closing || ! $this->procedure->hasPieces()) {
            $this->end($state, RunState::FINISHED, $event->at);
        }
    }

    private function beginPiece(RunState $state, Event $event): void
    {
        $piece = new Thread(count($state->pieces) + 1);
        $piece->step = $this->procedure->first(Phase::Piece)?->id;
        $piece->stepSince = $event->at;
        $state->pieces[count($state->pieces) + 1] = $piece;
    }

    private function dropPiece(Thread $piece, Event $event): void
    {
        $piece->outcome = Thread::DROPPED;
        $piece->step = null;
        $piece->stepSince = $event->at;
        foreach ($piece->timers as $id => $timer) {
            $piece->timers[$id]['answered_at'] = $timer['answered_at'] ?? $event->at;
        }
    }

    private function close(RunState $state, Event $event): void
    {
        $state->closing = true;
        $state->step = $this->procedure->first(Phase::Closing)?->id;
        $state->stepSince = $event->at;
        if ($state->step === null) {
            $this->end($state, RunState::FINISHED, $event->at);
        }
    }

    private function extend(Thread $thread, Event $event): void
    {
        $timer = (string) $event->text('timer');
        if (isset($thread->timers[$timer])) {
            $thread->timers[$timer]['ends_at'] += 60 * (float) $event->number('minutes');
            $thread->timers[$timer]['minutes'] += (float) $event->number('minutes');
        }
    }

    /** A clock of heat stood still meanwhile; one of cooling went on. */
    private function resume(RunState $state, Event $event): void
    {
        $last = array_key_last($state->breaks);
        if ($last === null) {
            return;
        }
        $state->breaks[$last]['to'] = $event->at;
        $off = $event->at - $state->breaks[$last]['from'];
        foreach ([$state, ...$state->pieces] as $thread) {
            foreach ($thread->timers as $id => $timer) {
                if ($timer['answered_at'] === null && $this->procedure->timer($id)?->kind === 'heat') {
                    $thread->timers[$id]['ends_at'] += $off;
                    $thread->timers[$id]['minutes'] += $off / 60;
                }
            }
        }
        $minutes = (float) $event->number('wait_min');
        $state->timers[self::RESTART] = [
            'id' => self::RESTART,
            'started_at' => $event->at,
            'ends_at' => $event->at + 60 * $minutes,
            'minutes' => $minutes,
            'answered_at' => $minutes > 0 ? null : $event->at,
        ];
    }

    private function correct(RunState $state, Event $event): void
    {
        $key = (string) $event->text('event');
        if (isset($state->entries[$key])) {
            $state->entries[$key]['values'] = array_merge(
                $state->entries[$key]['values'],
                $event->values(),
            );
            $state->entries[$key]['corrected']++;
        }
    }

    private function end(RunState $state, string $status, float $at): void
    {
        $state->status = $status;
        $state->endedAt = $at;
    }

    private function titleOf(?string $step): string
    {
        return $this->procedure->step((string) $step)->title ?? (string) $step;
    }

    /**
     * The moment from which a step finds room where it goes on to, s since 1970 UTC; null where it asks for none, or
     * has it.
     */
    public function roomAt(RunState $state, Step $step, ?int $piece): ?float
    {
        $opens = array_filter(array_map(
            fn (Gate $gate): ?float => $gate->roomAt($this->rooms, $state, $piece, $this->plan),
            $step->gates,
        ), is_float(...));

        return $opens === [] ? null : max($opens);
    }

    /** Who holds a place that takes no more, or what carries a piece there and is all out; null when there is room. */
    public function taken(RunState $state, string $place, ?int $except = null): ?string
    {
        return $this->rooms->taken($state, $place, $except);
    }

    /** Whether the lot may go in at all is asked of the safety rules, by who lets the change in. */
    private function refusesLot(RunState $state, Event $event): ?InputError
    {
        $last = end($state->lots);
        $lot = $event->data['lot'] ?? null;

        return match (true) {
            ! is_int($lot) || $lot < 1 || $event->text('code') === null => new InputError('data.lot', 'names no lot'),
            $last !== false && $last['from'] > $event->at => new InputError(
                'at',
                "is before lot {$last['code']} began to go in",
            ),
            $last !== false && $last['lot'] === $lot => new InputError('data.lot', "{$last['code']} goes in already"),
            default => null,
        };
    }

    /** What is confirmed is true of this moment: a step that is not under way has nothing to confirm. */
    private function refusesConfirmation(Thread $thread, Event $event): ?InputError
    {
        $step = $this->procedure->step((string) $event->text('step'));
        if ($step === null || ! isset($step->confirm[(string) $event->text('item')])) {
            return new InputError('data.item', 'this step has no such thing to confirm');
        }

        return $thread->isAt($step)
            ? null
            : new InputError('data.step', "is not the current step: that is {$this->titleOf($thread->step)}");
    }

    private function refusesEntry(RunState $state, Thread $thread, Event $event): ?InputError
    {
        if (! is_array($event->data['values'] ?? null)) {
            return new InputError('data.values', 'must be an object with the values logged');
        }
        $entry = $this->procedure->entry((string) $event->text('entry'));
        if ($entry === null) {
            return new InputError('data.entry', "this procedure has no entry \"{$event->text('entry')}\"");
        }
        $bad = $entry->refuses($event->values());
        if ($bad !== null) {
            return $bad->under('data');
        }
        if (! $this->belongs($thread, $entry, $event)) {
            $steps = array_map(
                static fn (Step $s): string => "\"{$s->title}\"",
                $this->procedure->stepsThatLog($entry->id),
            );

            return new InputError(
                'data.entry',
                sprintf(
                    'is not logged now, at "%s": it belongs to %s',
                    $this->titleOf($thread->step),
                    implode(' or ', $steps) ?: 'no step',
                ),
            );
        }
        if ($entry->once && $state->count($entry->id, $thread->piece) > 0) {
            return new InputError('data.entry', 'is already logged: correct that entry instead');
        }

        return $entry->again === null ? null : $this->refusesAgain($state, $thread, $entry, $entry->again);
    }

    private function refusesAgain(RunState $state, Thread $thread, Entry $entry, Again $again): ?InputError
    {
        $most = $this->plan[(string) $again->most] ?? null;
        $times = $state->count($entry->id, $thread->piece);
        $to = $this->procedure->step($again->to);
        $taken = $to === null ? null : $this->taken($state, $to->place, $thread->piece);
        $judged = array_filter(
            $this->procedure->entries(),
            static fn (Entry $e): bool => $e->effect === 'dispose' && $state->count($e->id, $thread->piece) > 0,
        );

        return match (true) {
            $judged !== [] => new InputError('data.entry', 'is too late: it is judged'),
            is_numeric($most) && $times >= (int) $most => new InputError('data.entry', sprintf(
                'was said %s: %s',
                $times === 1 ? 'once' : "{$times} times",
                $again->says,
            )),
            $taken !== null => new InputError('data.entry', "has no room there: {$taken}"),
            default => null,
        };
    }

    /**
     * An entry belongs to the step that its thread is at, or, where it may come late, to a step gone by that is named.
     */
    private function belongs(Thread $thread, Entry $entry, Event $event): bool
    {
        $named = $event->text('step');
        if ($named !== null && $named !== $thread->step) {
            return $entry->late && isset($thread->done[$named]) && in_array(
                $entry->id,
                $this->procedure->step($named)->entries ?? [],
                true,
            );
        }

        return in_array($entry->id, $this->procedure->step((string) $thread->step)->entries ?? [], true);
    }

    private function refusesCorrection(RunState $state, Event $event): ?InputError
    {
        $logged = $state->entries[(string) $event->text('event')] ?? null;
        if ($logged === null) {
            return new InputError('data.event', 'names no entry of this run');
        }
        if ($event->text('reason') === null) {
            return new InputError('data.reason', 'say why it is corrected');
        }
        $values = $event->data['values'] ?? null;
        if (! is_array($values) || $values === []) {
            return new InputError('data.values', 'give the corrected values');
        }

        return $this->procedure->entry($logged['entry'])
            ?->refuses(array_merge($logged['values'], $values))
            ?->under('data');
    }

    private function refusesStep(RunState $state, Thread $thread, Event $event): ?InputError
    {
        $step = $this->procedure->step((string) $event->text('step'));
        if ($step === null) {
            return new InputError('data.step', 'this procedure has no such step');
        }
        if (isset($thread->done[$step->id])) {
            return new InputError('data.step', "is already done, by {$thread->done[$step->id]['by']}");
        }
        if (! $thread->isAt($step)) {
            return new InputError('data.step', "is not the current step: {$this->titleOf($thread->step)} comes first");
        }
        $missing = $this->missing($state, $step->id, $event->at, $thread->piece);
        if ($missing === []) {
            return null;
        }
        $may = match ($step->passAnyway) {
            PassAnyway::No => false, PassAnyway::Lead => $event->byLead, PassAnyway::Reason => true,
        };
        if ($may && $event->text('reason') !== null) {
            return null;
        }

        return new InputError($step->passAnyway === PassAnyway::No ? 'data.step' : 'data.reason', 'not yet: '.implode(
            '; ',
            $missing,
        ).match ($step->passAnyway) {
            PassAnyway::No => '',
            PassAnyway::Lead => '. A lead may pass it with a written reason',
            PassAnyway::Reason => '. Give a reason to go on anyway',
        });
    }

    private function refusesExtension(Thread $thread, Event $event): ?InputError
    {
        $timer = $thread->timers[(string) $event->text('timer')] ?? null;
        $minutes = $event->data['minutes'] ?? null;
        if ($timer === null || $timer['answered_at'] !== null) {
            return new InputError('data.timer', 'is not running');
        }
        if (
            (! is_int($minutes) && ! is_float($minutes))
            || ! is_finite((float) $minutes)
            || abs($minutes) > 600
            || $minutes == 0
        ) {
            return new InputError('data.minutes', 'must be a number of minutes, at most 600');
        }
        if ($event->text('reason') === null) {
            return new InputError('data.reason', 'say why the time changes');
        }

        return null;
    }

    private function refusesPiece(RunState $state, Event $event): ?InputError
    {
        $name = $this->procedure->pieceName();
        $next = count($state->pieces) + 1;
        $first = $this->procedure->first(Phase::Piece);
        if ($first === null) {
            return new InputError('type', 'this procedure has no pieces: it is one pass');
        }
        if ($event->piece() !== $next) {
            return new InputError('data.piece', "must be {$next}: that is the next {$name}");
        }
        if ($state->closing) {
            return new InputError('type', "the run is being closed: no {$name} follows");
        }
        if ($state->step !== null) {
            return new InputError('type', "not yet: {$this->titleOf($state->step)} comes first");
        }
        $taken = $this->taken($state, $first->place)
            ?? $this->cold($state, $first, $event->at);

        return $taken === null ? null : new InputError('data.piece', "not yet: {$taken}");
    }

    private function refusesInterruption(RunState $state, Event $event): ?InputError
    {
        return match (true) {
            $state->interruptedSince() !== null => new InputError('type', 'it is interrupted already'),
            $event->text('reason') === null => new InputError('data.reason', 'say what interrupts it'),
            default => null,
        };
    }

    private function refusesReturn(RunState $state, Event $event): ?InputError
    {
        $since = $state->interruptedSince();
        $wait = $event->data['wait_min'] ?? null;
        $read = $event->data['read_c'] ?? null;

        return match (true) {
            $since === null => new InputError('type', 'it is not interrupted'),
            $event->at < $since => new InputError('at', 'is before it was interrupted'),
            ! self::between($wait, 0, self::LONGEST_WAIT) => new InputError(
                'data.wait_min',
                'must be minutes until it is hot through again, 0 to '.self::LONGEST_WAIT,
            ),
            $read !== null && ! self::between($read, -50, 600) => new InputError(
                'data.read_c',
                'must be what it reads, -50 to 600 °C',
            ),
            default => null,
        };
    }

    private static function between(mixed $value, float $least, float $most): bool
    {
        return (is_int($value) || is_float($value)) && $value >= $least && $value <= $most;
    }

    private function refusesDrop(Event $event): ?InputError
    {
        if ($event->piece() === null) {
            return new InputError('data.piece', "say which {$this->procedure->pieceName()} is taken out");
        }

        return $event->text('reason') === null ? new InputError('data.reason', 'say why it is taken out') : null;
    }

    private function refusesClosing(RunState $state): ?InputError
    {
        $open = array_keys(array_filter(
            $state->pieces,
            static fn (Thread $piece): bool => $piece->outcome === Thread::OPEN,
        ));

        return match (true) {
            ! $this->procedure->hasPieces() => new InputError(
                'type',
                'this procedure has no pieces: its last step ends it',
            ),
            $state->closing => new InputError('type', 'the run is being closed already'),
            $state->step !== null => new InputError('type', "not yet: {$this->titleOf($state->step)} comes first"),
            $open !== [] => new InputError(
                'type',
                sprintf('not yet: %s %s is under way', $this->procedure->pieceName(), implode(' and ', $open)),
            ),
            default => null,
        };
    }
}
