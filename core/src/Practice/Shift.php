<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Gate;
use Dithermic\Core\Run\Hold;
use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;
use Dithermic\Core\Run\Thread;
use LogicException;

/**
 * People who work a run of any process down to its end: set-up, pieces one over the other as places allow, closing.
 * They do first what is ready and has waited longest, begin a piece when its first place is free, and wait for the next
 * timer where nothing else is to be done. What they see is the plant's. The same dice give the same run.
 */
final class Shift
{
    /** hands are this much quicker or slower than is usual */
    private const PACE = [0.7, 1.5];

    /** what takes no longer is but a touch, min: it is done before what takes minutes */
    private const TOUCH_MIN = 0.1;

    private RunState $state;

    /** @var list<Event> */
    private array $events = [];

    private float $clock;

    /**
     * @param  list<string>  $people  the first does most of it
     * @param  array{float, float}  $late  somebody is called away: what waits does so for this share of its length at most, and
     *                                     for no longer than so many seconds
     */
    public function __construct(
        private readonly RunMachine $machine,
        private readonly Plant $plant,
        private readonly Dice $dice,
        private readonly array $people,
        private readonly string $key,
        private readonly array $late = [0.05, 40.0],
    ) {
        $this->state = new RunState;
        $this->clock = 0.0;
    }

    public function run(float $startAt, int $pieces): SimulatedRun
    {
        $this->clock = $startAt;
        $this->add(EventType::Started, []);
        $first = $this->machine->procedure->first(Phase::Piece);
        $isTouched = $first !== null && $this->isButATouch($first);
        while ($this->state->status === RunState::RUNNING) {
            // A piece that is begun by a touch goes on by itself from where the one before was cut.
            if ($isTouched && count($this->state->pieces) < $pieces && $this->begin()) {
                continue;
            }
            $thread = $this->ready();
            if ($thread !== null) {
                $this->pass($thread);
            } elseif ($this->isReminded()) {
                continue;
            } elseif (count($this->state->pieces) < $pieces && $this->begin()) {
                continue;
            } else {
                $this->waitOrClose();
            }
        }

        return new SimulatedRun($this->events, $this->plant->readings($startAt, $this->clock));
    }

    /**
     * The thread whose step can be done now; of several one that is but a touch, then the one that has been ready
     * longest.
     */
    private function ready(): ?Thread
    {
        $ready = null;
        $first = [1, INF];
        foreach ($this->state->underWay() as $thread) {
            $at = $this->readyAt($thread);
            $turn = [$this->isButATouch($this->step($thread)) ? 0 : 1, $at];
            if ($at <= $this->clock && $turn < $first && $this->placeIsFree($thread)) {
                [$ready, $first] = [$thread, $turn];
            }
        }

        return $ready;
    }

    private function readyAt(Thread $thread): float
    {
        $step = $this->step($thread);
        $asked = array_filter($step->gates, static fn (Gate $gate): bool => $gate->timer !== null) !== [];
        // One that neither heats nor cools, and that no gate asks for, tells how long something keeps: nobody waits for
        // it.
        $waits = $asked || $this->machine->procedure->timer((string) $step->timer)?->kind !== 'wait';
        $at = $waits ? ($thread->timers[(string) $step->timer]['ends_at'] ?? $thread->stepSince) : $thread->stepSince;

        return max($at, $this->machine->roomAt($this->state, $step, $thread->piece) ?? $at);
    }

    /**
     * What is asked again and again while a timer runs, soonest first.
     *
     * @return array{at: float, entry: string, piece: ?int}|null
     */
    private function reminder(): ?array
    {
        foreach ($this->machine->hands($this->state) as $hand) {
            if ($hand->entry !== null && $hand->timer === null) {
                return ['at' => $hand->at, 'entry' => $hand->entry, 'piece' => $hand->piece];
            }
        }

        return null;
    }

    private function isReminded(): bool
    {
        $asked = $this->reminder();
        if ($asked === null || $asked['at'] > $this->clock) {
            return false;
        }
        $seen = $this->plant->reminded($asked['entry'], $asked['piece']);
        if ($seen === null) {
            return false;
        }
        $this->clock += $seen->takesS;
        $of = $asked['piece'] === null ? [] : ['piece' => $asked['piece']];
        $this->add(EventType::Logged, ['entry' => $seen->entry, 'values' => $seen->values] + $of);

        return true;
    }

    /** Where the next step's place is taken the piece stays where it is. */
    private function placeIsFree(Thread $thread): bool
    {
        $next = $this->machine->procedure->after($this->step($thread));
        if ($next === null || $thread->piece === null || $next->place === $this->step($thread)->place) {
            return true;
        }

        return $this->hasRoom($next->place, $thread->piece);
    }

    private function hasRoom(string $place, ?int $for = null): bool
    {
        return $this->machine->taken($this->state, $place, $for) === null;
    }

    /**
     * Nobody heats or fills what then has nowhere to go: the place after the first wait must have room, unless a gate
     * of the procedure sees to that.
     */
    private function goesOn(): bool
    {
        $waits = false;
        foreach ($this->machine->procedure->steps(Phase::Piece) as $step) {
            if (array_filter($step->gates, static fn (Gate $gate): bool => $gate->room !== null) !== []) {
                return true;
            }
            if ($waits) {
                return $this->hasRoom($step->place);
            }
            $waits = $step->timer !== null;
        }

        return true;
    }

    private function isButATouch(Step $step): bool
    {
        return $step->timer === null
            && $this->machine->procedure->minutes($step, $this->machine->plan) <= self::TOUCH_MIN;
    }

    private function begin(): bool
    {
        if (! $this->goesOn()) {
            return false;
        }
        $event = $this->event(EventType::PieceBegun, ['piece' => count($this->state->pieces) + 1]);
        if ($this->machine->refuses($this->state, $event) !== null) {
            return false;
        }
        $this->take($event);

        return true;
    }

    private function waitOrClose(): void
    {
        $under = $this->state->underWay();
        if ($under === []) {
            $this->add(EventType::Closing, []);

            return;
        }
        $moments = array_map(fn (Thread $t): float => $this->readyAt($t), $under);
        $moments[] = $this->reminder()['at'] ?? 0.0;
        // What is ready and stays where it is waits for another to leave, which has a moment of its own.
        $coming = array_filter($moments, fn (float $at): bool => $at > $this->clock);
        $next = $coming === [] ? $this->clock : min($coming);
        [$share, $most] = $this->late;
        $late = min($most, $share * max(0.0, $next - $this->clock));
        $this->clock = max($this->clock, $next + $this->dice->between(0.5, 1.0 + $late));
    }

    private function pass(Thread $thread): void
    {
        $step = $this->step($thread);
        $of = $thread->piece === null ? [] : ['piece' => $thread->piece];
        $this->clock += match (true) {
            $step->timer !== null => $this->dice->between(0.5, 2.0),
            // With both hands full nobody waits: what is hot goes on at once.
            $step->hands === Hold::None && $step->planMin === null => $this->dice->between(1.5, 5.0),
            default => 60 * $this->machine->procedure->minutes($step, $this->machine->plan) * $this->dice->between(...self::PACE),
        };
        foreach (array_keys($step->confirm) as $item) {
            $this->clock += $this->dice->between(2, 8);
            $this->add(EventType::Confirmed, ['step' => $step->id, 'item' => $item] + $of);
        }
        foreach ($this->plant->seen($step, $thread->piece, $thread->stepSince, $this->clock) as $seen) {
            $this->clock += $seen->takesS;
            $this->add(EventType::Logged, ['entry' => $seen->entry, 'values' => $seen->values] + $of);
        }
        $this->add(EventType::StepDone, ['step' => $step->id] + $of);
    }

    private function step(Thread $thread): Step
    {
        return $this->machine->procedure->step((string) $thread->step)
            ?? $this->machine->procedure->steps(Phase::Closing)[0];
    }

    /** @param  array<string, mixed>  $data */
    private function add(EventType $type, array $data): void
    {
        $this->take($this->event($type, $data));
    }

    /** @param  array<string, mixed>  $data */
    private function event(EventType $type, array $data): Event
    {
        $who = $this->dice->happens(0.7) ? $this->people[0] : $this->people[count($this->people) - 1];

        return new Event(
            sprintf('%s-%04d', $this->key, count($this->events)),
            $type,
            round($this->clock, 3),
            $who,
            $data,
        );
    }

    private function take(Event $event): void
    {
        $refused = $this->machine->refuses($this->state, $event);
        if ($refused !== null) {
            throw new LogicException("the shift was refused: {$refused->field} {$refused->getMessage()}");
        }
        $this->machine->apply($this->state, $event);
        $this->events[] = $event;
    }
}
