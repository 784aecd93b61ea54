<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** What needs hands next, and how the run lies in time: from its state, its timers and the steps' usual minutes. */
final readonly class Forecast
{
    /** @param  array<string, float|int|string|null>  $plan */
    public function __construct(private Procedure $procedure, private array $plan, private Room $rooms)
    {
    }

    /**
     * Soonest first: the timers that run out, the reminders that fall due, else the step that a thread is at.
     *
     * @return list<Hand>
     */
    public function hands(RunState $state): array
    {
        if ($state->status !== RunState::RUNNING) {
            return [];
        }
        $hands = [];
        foreach ($state->underWay() as $thread) {
            array_push($hands, ...$this->handsOf($state, $thread));
        }
        usort($hands, static fn (Hand $a, Hand $b): int => $a->at <=> $b->at);

        return $hands;
    }

    /**
     * The piece that could be begun now, as a hand that waits; null while none can, and once as many are made or under
     * way as were planned: more than that is a person's wish. It is no part of hands(): nobody has promised a next
     * piece.
     */
    public function next(RunState $state): ?Hand
    {
        $first = $this->procedure->first(Phase::Piece);
        if ($first === null || $state->status !== RunState::RUNNING || $state->step !== null || $state->closing) {
            return null;
        }
        $made = array_filter($state->pieces, static fn (Thread $piece): bool => $piece->outcome !== Thread::DROPPED);
        if (is_numeric($this->plan['pieces'] ?? null) && count($made) >= $this->plan['pieces']) {
            return null;
        }
        if ($this->rooms->taken($state, $first->place) !== null) {
            return null;
        }
        $since = array_map(static fn (Thread $piece): float => $piece->stepSince, $state->pieces);

        return new Hand(
            max([$state->stepSince, $state->timers[RunMachine::RESTART]['ends_at'] ?? 0.0, ...$since]),
            $first->title,
            $first->why,
            $first->id,
            null,
            null,
            max(1, $first->people),
            $first->place,
            count($state->pieces) + 1,
            Wait::of($first, null),
            $this->procedure->minutes($first, $this->plan),
        );
    }

    /**
     * What calls for hands: hands() and next(); of a run that stands still what cools on, and that somebody says when
     * it goes on. A clock of heat that stands rings nobody.
     *
     * @return list<Hand>
     */
    public function calls(RunState $state): array
    {
        $hands = [...$this->hands($state), ...array_filter([$this->next($state)])];
        $break = $state->stands();
        if ($break === null) {
            return $hands;
        }
        $still = new Hand(
            $break['from'],
            'It stands still',
            $break['reason'],
            (string) $state->step,
            null,
            null,
            1,
            $hands[0]->place ?? $this->procedure->places()[0]->id,
            null,
            Wait::Hot,
            1.0,
        );

        return [$still, ...array_values(array_filter(
            $hands,
            fn (Hand $hand): bool => ($this->procedure->timer($hand->timer ?? '')->kind ?? 'heat') !== 'heat',
        ))];
    }

    /**
     * Stretches of time at the run's places: those gone by, the one under way and those to come.
     *
     * @return list<array{step: string, place: string, title: string, kind: string, from: float, to: float, phase: string, piece: ?int}>
     */
    public function stretches(RunState $state, float $now): array
    {
        $stretches = $this->stretchesOf(
            $state,
            $state,
            $this->procedure->hasPieces() ? Phase::SetUp : null,
            $now,
            $state->startedAt ?? $now,
        );
        foreach ($state->pieces as $piece) {
            array_push($stretches, ...$this->stretchesOf($state, $piece, Phase::Piece, $now, $piece->stepSince));
        }
        if ($state->closing) {
            array_push($stretches, ...$this->stretchesOf($state, $state, Phase::Closing, $now, $state->stepSince));
        }

        return $stretches;
    }

    /**
     * @return list<Hand>
     */
    private function handsOf(RunState $state, Thread $thread): array
    {
        $step = $this->procedure->step((string) $thread->step);
        if ($step === null) {
            return [];
        }
        $hands = [];
        $hand = fn (float $at, Step $wanted, ?Timer $after, ?string $place = null): Hand => new Hand(
            $at,
            $wanted->title,
            $wanted->why,
            $step->id,
            null,
            $after?->id,
            max(1, $wanted->people),
            $place ?? $step->place,
            $thread->piece,
            Wait::of($wanted, $after),
            $this->procedure->minutes($wanted, $this->plan),
        );
        foreach ($step->reminders as $reminder) {
            $due = $this->reminderDue($state, $thread, $step, $reminder);
            if ($due !== null) {
                $hands[] = new Hand(
                    $due,
                    $reminder->what,
                    $reminder->why,
                    $step->id,
                    $reminder->entry,
                    null,
                    1,
                    $step->place,
                    $thread->piece,
                    Wait::Looks,
                    0.0,
                );
            }
        }
        $timer = $step->timer === null ? null : ($thread->timers[$step->timer] ?? null);
        $next = $this->procedure->after($step) ?? $step;
        $opens = $timer === null ? $this->opensAt($state, $thread, $step) : null;
        if ($timer !== null) {
            $hands[] = $hand($timer['ends_at'], $next, $this->procedure->timer($timer['id']));
        } elseif ($opens !== null) {
            // All is done here: what wants hands is the next step, once there is room for it.
            $hands[] = $hand($opens, $next, null, $next->place);
        } elseif ($hands === []) {
            $hands[] = $hand($thread->stepSince, $step, null);
        }

        return $hands;
    }

    /**
     * @return list<array{step: string, place: string, title: string, kind: string, from: float, to: float, phase: string, piece: ?int}>
     */
    private function stretchesOf(RunState $state, Thread $thread, ?Phase $phase, float $now, float $clock): array
    {
        $stretches = [];
        $goesOn = $state->status === RunState::RUNNING && $thread->outcome === Thread::OPEN;
        // What comes after a break nobody knows; what cools goes on cooling.
        $stands = $state->stands() !== null;
        foreach ($this->procedure->steps($phase) as $step) {
            $heat = $this->procedure->place($step->place)->heat ?? 'none';
            $kind = $step->timer !== null ? ($heat === 'out' ? 'cool' : 'heat') : 'hands';
            $make = static fn (float $from, float $to, string $when): array => [
                'step' => $step->id,
                'place' => $step->place,
                'title' => $step->title,
                'kind' => $kind,
                'from' => $from,
                'to' => $to,
                'phase' => $when,
                'piece' => $thread->piece,
            ];
            if (isset($thread->done[$step->id])) {
                $stretches[] = $make($thread->done[$step->id]['began'], $thread->done[$step->id]['at'], 'past');
                $clock = $thread->done[$step->id]['at'];
            } elseif ($goesOn) {
                $minutes = $this->procedure->minutes($step, $this->plan);
                $running = $step->timer === null ? null : ($thread->timers[$step->timer] ?? null);
                if ($thread->isAt($step)) {
                    $end = max($now, $running['ends_at'] ?? $thread->stepSince + 60 * $minutes);
                    $stretches[] = $make($thread->stepSince, $now, 'past');
                    if ($stands && ($running === null || $kind !== 'cool')) {
                        break;
                    }
                    if ($end > $now) {
                        $stretches[] = $make($now, $end, 'coming');
                    }
                    $clock = $end;
                } elseif ($stands) {
                    break;
                } else {
                    $stretches[] = $make($clock, $clock + 60 * $minutes, 'coming');
                    $clock += 60 * $minutes;
                }
            }
        }

        return $stretches;
    }

    /** When a step goes on that waits for nothing but room further on; null where it waits for none, or for more. */
    private function opensAt(RunState $state, Thread $thread, Step $step): ?float
    {
        $opens = null;
        foreach ($step->gates as $gate) {
            if ($gate->room === null && $gate->lacks($thread, $state, $step, $this->plan, INF) !== null) {
                return null;
            }
            $free = $gate->room === null ? null : $this->rooms->freeAt($state, $gate->room, $thread->piece);
            $opens = $free === null ? $opens : $free - 60 * (float) ($this->plan[(string) $gate->within] ?? 0);
        }

        return $opens === null || $opens <= $thread->stepSince ? null : $opens;
    }

    private function reminderDue(RunState $state, Thread $thread, Step $step, Reminder $reminder): ?float
    {
        $every = $this->plan[$reminder->everyMin] ?? null;
        $timer = $step->timer === null ? null : ($thread->timers[$step->timer] ?? null);
        if (! is_numeric($every) || $every <= 0) {
            return null;
        }
        $since = $timer['started_at'] ?? $thread->stepSince;
        $due = ($state->lastAt($reminder->entry, $since, $thread->piece) ?? $since) + 60 * (float) $every;

        // A reminder that would fall due within half an interval of the timer's end is left to the end itself.
        return $timer !== null && $due > $timer['ends_at'] - 30 * (float) $every ? null : $due;
    }
}
