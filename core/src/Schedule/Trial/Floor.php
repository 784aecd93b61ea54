<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Schedule\Changeovers;
use Dithermic\Core\Schedule\Hand;
use Dithermic\Core\Schedule\Job;
use Dithermic\Core\Schedule\Person;
use Dithermic\Core\Schedule\PlanInput;
use Dithermic\Core\Schedule\Rings;
use Dithermic\Core\Schedule\SetUp;
use Dithermic\Core\Schedule\Span;
use Dithermic\Core\Schedule\Station;
use Dithermic\Core\Schedule\StationOption;

/**
 * A shop on a day as it really goes, event by event: pieces at stations, hands on them, clocks that ring, a supply that
 * gives no more. What is begun next says a Dispatch; whether it can be begun is the same for each of them. Nobody is
 * called away from what they have begun; whoever is free goes to what has rung longest.
 */
final class Floor
{
    private const TOUCH = 1e-6;

    private const MOST_EVENTS = 20_000;

    public float $now;

    /** @var list<Underway> */
    public array $units = [];

    /** @var array<string, Underway> by station */
    private array $occupied = [];

    /** @var array<string, array{SetUp|null, float}> how a station is set up, and from when on it is ready so */
    private array $set = [];

    /** @var list<Hand> */
    private array $hands = [];

    /** @var list<float> */
    private array $rings = [];

    /** @var array<string, list<Span>> by person, by what is known of them now */
    private array $hours = [];

    /** @var array<string, true> */
    private array $gone = [];

    /** @var list<string> */
    private array $wrong = [];

    private float $called = 0.0;

    /** minutes that what must not wait did wait */
    private float $held = 0.0;

    private int $driedAgain = 0;

    public function __construct(
        public readonly PlanInput $in,
        private readonly Changeovers $changeovers,
        private readonly Mishaps $mishaps,
    ) {
        $this->now = $in->now;
        foreach ($in->jobs as $job) {
            for ($piece = 1; $piece <= $job->pieces; $piece++) {
                $this->units[] = new Underway($job, $piece);
            }
        }
        foreach ($in->people as $person) {
            $own = Span::calendar('calendar', $person->calendar);
            $this->hours[$person->id] = $own === [] ? [new Span($in->now, $in->horizon_end)] : $own;
        }
    }

    public function run(Dispatch $by): Outcome
    {
        for ($n = 0; $n < self::MOST_EVENTS && $this->now < $this->in->horizon_end; $n++) {
            $this->answerCalls($by);
            while ($this->beginOne($by)) {
                $this->answerCalls($by);
            }
            $next = min($this->nextEvent(), max($this->now + self::TOUCH, $by->next($this)));
            if (is_infinite($next)) {
                break;
            }
            $before = $this->now;
            $this->now = $next;
            foreach ($this->units as $unit) {
                $this->called += $unit->stage === Stage::Called ? $next - $before : 0.0;
                $this->goesOn($unit, $by);
            }
            $this->mishaps($by, $before);
        }

        return $this->outcome();
    }

    /** What stands at a station; null where it is free. */
    public function at(string $station): ?Underway
    {
        return $this->occupied[$station] ?? null;
    }

    /** Until when a station has fallen out, by what is known now; null where it works. */
    public function faultUntil(string $station): ?float
    {
        foreach ($this->mishaps->faults as [$of, $from, $to]) {
            if ($of === $station && $from <= $this->now && $this->now < $to) {
                return $to;
            }
        }

        return null;
    }

    /** @return list<Span> when somebody is here, by what is known now */
    public function hours(string $person): array
    {
        return $this->hours[$person];
    }

    public function isHere(string $person): bool
    {
        foreach ($this->hours[$person] as $span) {
            if ($span->holds($this->now, $this->now)) {
                return true;
            }
        }

        return false;
    }

    /** @return array{SetUp|null, float}|null how a station was left, and since when */
    public function leftAs(string $station): ?array
    {
        return $this->set[$station] ?? null;
    }

    /** A station that is free is changed over for what comes next; when it is ready for it, min. */
    public function prepare(string $station, ?SetUp $for): float
    {
        [$as, $ready] = $this->set[$station] ?? [null, $this->in->now];
        if ($for === null || $as == $for || isset($this->occupied[$station])) {
            return $ready;
        }
        $this->set[$station] = [$for, max($this->now, $ready) + $this->changeovers->minutes($as, $for)];

        return $this->set[$station][1];
    }

    /**
     * A piece is begun at a station, where it can be; a station that is free for it is changed over for it first.
     *
     * @param  list<string>|null  $team
     */
    private function tryAt(Underway $unit, StationOption $on, ?array $team): bool
    {
        $task = $unit->task();
        $free = $task !== null && $unit->waits() && ! isset($this->occupied[$on->station])
            && $this->now >= ($unit->job->release ?? -INF) - self::TOUCH && $this->faultUntil($on->station) === null;
        if (! $free || $this->prepare($on->station, $task->setup) > $this->now + self::TOUCH) {
            return false;
        }
        $end = $this->now + $on->minutes;
        $last = $this->chainEnd($unit, $end);
        $hands = $unit->firstHands($on);
        $people = $hands > 0 ? $this->whoIsFree($on->station, $task->people, $hands, $unit->people, $team) : [];
        if (
            $last === null
                || $last > $this->in->horizon_end + self::TOUCH
                || $people === null
                || ! $this->supplyGives($on)
            || ($task->hot && ! $this->isAttended($this->now, $end))
        ) {
            return false;
        }
        $this->begin($unit, $on, $people, $hands);

        return true;
    }

    /**
     * Whether what must follow at once finds its place free by then, as far as is known; when the last of it is over.
     */
    private function chainEnd(Underway $unit, float $end): ?float
    {
        for ($i = $unit->at + 1; ($unit->job->tasks[$i]->no_wait ?? false) === true; $i++) {
            $task = $unit->job->tasks[$i];
            $free = array_filter($task->stations, function (StationOption $o) use ($end): bool {
                $there = $this->at($o->station);
                $fault = $this->faultUntil($o->station) ?? -INF;

                return max($there?->expected($this->now) ?? -INF, $fault) <= $end + self::TOUCH;
            });
            if ($free === []) {
                return null;
            }
            $end += min([INF, ...array_column($task->stations, 'minutes')]);
        }

        return $end;
    }

    private function beginOne(Dispatch $by): bool
    {
        // What was taken out hot goes on before anything else is begun.
        foreach ($this->units as $unit) {
            foreach ($unit->waits() && $unit->task()?->no_wait === true ? $unit->task()->stations : [] as $on) {
                if ($this->tryAt($unit, $on, null)) {
                    return true;
                }
            }
        }
        foreach ($by->wanted($this) as [$unit, $on]) {
            if ($this->tryAt($unit, $on, $by->team($this, $unit))) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<string>  $people  whose hands are on it at its beginning */
    private function begin(Underway $unit, StationOption $on, array $people, float $hands): void
    {
        $this->held += $unit->task()?->no_wait === true ? $this->now - $unit->since : 0.0;
        $this->occupied[$on->station] = $unit;
        [$unit->on, $unit->began, $unit->people] = [$on, $this->now, []];
        foreach (range(1, $this->in->supply->phases ?? 1) as $phase) {
            if ($this->drawn($phase) > ($this->in->supply->amps ?? INF) + self::TOUCH) {
                $this->wrong[] = "{$unit->name()} draws more than the supply gives";
            }
        }
        if ($hands <= 0) {
            $this->byItself($unit);

            return;
        }
        $unit->stage = Stage::FirstHands;
        $this->takes($unit, $people, $hands * $this->mishaps->pace($unit, 'first'));
    }

    /** @param  list<string>  $people */
    private function takes(Underway $unit, array $people, float $minutes): void
    {
        [$unit->people, $unit->until] = [$people, $this->now + $minutes];
        foreach ($people as $person) {
            foreach ($this->hands as $other) {
                if ($other->person === $person && $other->to > $this->now + self::TOUCH) {
                    $this->wrong[] = "{$person} is twice at once: {$other->what} and {$unit->name()}";
                }
            }
            $this->hands[] = new Hand(
                $person,
                $this->now,
                $unit->until,
                "{$unit->name()}, {$unit->task()?->id}",
                $unit->on->station ?? '',
            );
        }
    }

    private function byItself(Underway $unit): void
    {
        [$unit->stage, $unit->until] = [Stage::ByItself, $this->now + $unit->byItself()];
    }

    private function goesOn(Underway $unit, Dispatch $by): void
    {
        if ($unit->until > $this->now + self::TOUCH) {
            return;
        }
        if ($unit->stage === Stage::FirstHands) {
            $this->byItself($unit);
            if ($unit->until > $this->now + self::TOUCH) {
                return;
            }
            // Hands throughout: nothing rings.
            $this->ends($unit, $by);
        } elseif ($unit->stage === Stage::ByItself) {
            $this->rings[] = $unit->until;
            if ($unit->lastHands() > 0) {
                [$unit->stage, $unit->until] = [Stage::Called, INF];
            } else {
                $this->ends($unit, $by);
            }
        } elseif ($unit->stage === Stage::LastHands) {
            $this->ends($unit, $by);
        }
    }

    private function answerCalls(Dispatch $by): void
    {
        $called = array_filter($this->units, static fn (Underway $u): bool => $u->stage === Stage::Called);
        // What is hot first, then what has waited longest.
        usort($called, static fn (Underway $a, Underway $b): int => [
            ! $a->task()?->hot, $a->began + ($a->on->minutes ?? 0.0),
        ]
            <=> [! $b->task()?->hot, $b->began + ($b->on->minutes ?? 0.0)]);
        foreach ($called as $unit) {
            $people = $this->whoAnswers($unit, $by->team($this, $unit))
                // What is hot waits for nobody in particular.
                ?? ($unit->task()?->hot === true ? $this->whoAnswers($unit, null) : null);
            if ($people !== null) {
                [$unit->stage, $unit->called] = [Stage::LastHands, $this->now];
                $this->takes($unit, $people, $unit->lastHands() * $this->mishaps->pace($unit, 'last'));
            }
        }
    }

    /**
     * @param  list<string>|null  $team
     * @return list<string>|null
     */
    private function whoAnswers(Underway $unit, ?array $team): ?array
    {
        return $this->whoIsFree($unit->on->station ?? '', $unit->task()->people ?? 1, 0.0, [], $team);
    }

    private function ends(Underway $unit, Dispatch $by): void
    {
        $task = $unit->task();
        $station = $unit->on->station ?? '';
        if ($task?->hot === true && ! $this->isAttended($unit->began, $this->now)) {
            $this->wrong[] = "{$unit->name()} stood hot at {$station} with nobody there";
        }
        unset($this->occupied[$station]);
        $this->set[$station] = [$task?->setup, $this->now];
        [$unit->stage, $unit->until, $unit->on, $unit->since] = [Stage::Before, INF, null, $this->now];
        $unit->at++;
        if ($unit->isOver() && $this->mishaps->isNoGood($unit) && $unit->piece <= $unit->job->pieces) {
            // Made again, once, as one more piece of its job.
            $this->units[] = new Underway($unit->job, $unit->job->pieces + $unit->piece);
            $by->told($this, "{$unit->name()} is no good");
        }
    }

    private function mishaps(Dispatch $by, float $since): void
    {
        foreach ($this->mishaps->faults as [$station, $from, $to]) {
            foreach ([[$from, 'fell out'], [$to, 'is back']] as [$at, $says]) {
                if ($since < $at && $at <= $this->now) {
                    $by->told($this, "{$station} {$says}");
                }
            }
        }
        foreach ($this->mishaps->leave as $person => $at) {
            if ($at <= $this->now && ! isset($this->gone[$person])) {
                $this->gone[$person] = true;
                $this->hours[$person] = array_values(array_filter(array_map(
                    static fn (Span $s): ?Span => $s->from >= $at ? null : new Span($s->from, min($at, $s->to)),
                    $this->hours[$person],
                )));
                $by->told($this, "{$person} had to leave");
            }
        }
        foreach ($this->units as $unit) {
            $most = $unit->waits() ? $unit->task()?->max_gap_min : null;
            if ($most !== null && $unit->at > 0 && $this->now - $unit->since > $most + self::TOUCH) {
                // It has stood too long, and has taken up water again.
                $unit->at--;
                $this->driedAgain++;
                $by->told($this, "{$unit->name()} is dried again");
            }
        }
    }

    private function nextEvent(): float
    {
        $next = INF;
        foreach ($this->units as $unit) {
            $next = min($next, $unit->until);
            $most = $unit->waits() && $unit->at > 0 ? $unit->task()?->max_gap_min : null;
            $next = $most === null ? $next : min($next, max($this->now, $unit->since + $most) + 2 * self::TOUCH);
            $release = $unit->waits() ? $unit->job->release : null;
            $next = $release !== null && $release > $this->now ? min($next, $release) : $next;
        }
        $moments = array_merge(
            ...array_map(static fn (array $f): array => [$f[1], $f[2]], $this->mishaps->faults),
            ...array_map(static fn (array $own): array => array_merge(
                ...array_map(static fn (Span $s): array => [$s->from, $s->to], $own),
            ), array_values($this->hours)),
        );
        foreach ([...$moments, ...array_values($this->mishaps->leave), ...array_column($this->set, 1)] as $moment) {
            $next = $moment > $this->now + self::TOUCH ? min($next, $moment) : $next;
        }

        return $next;
    }

    private function isAttended(float $from, float $to): bool
    {
        foreach (Span::joined(array_merge(...array_values($this->hours))) as $span) {
            if ($span->holds($from, $to)) {
                return true;
            }
        }

        return false;
    }

    private function supplyGives(StationOption $on): bool
    {
        $station = array_column($this->in->stations, null, 'id')[$on->station];
        foreach (range(1, $this->in->supply->phases ?? 1) as $phase) {
            $more = $station->phase === null || $station->phase === $phase ? $station->amps : 0.0;
            if ($this->drawn($phase) + $more > ($this->in->supply->amps ?? INF) + self::TOUCH) {
                return false;
            }
        }

        return true;
    }

    /** What all that is occupied draws on a phase, A. */
    private function drawn(int $phase): float
    {
        return array_sum(array_map(
            fn (Station $s): float => isset($this->occupied[$s->id]) && ($s->phase === null || $s->phase === $phase)
                ? $s->amps
                : 0.0,
            $this->in->stations,
        ));
    }

    /**
     * @param  list<string>  $before  who had their hands on it before: they go on
     * @param  list<string>|null  $team  who of all is asked; null: everybody
     * @return list<string>|null
     */
    private function whoIsFree(string $station, int $wants, float $minutes, array $before, ?array $team): ?array
    {
        $free = array_values(array_filter($this->in->people, fn (Person $p): bool => ($p->may === null
            || in_array($station, $p->may, true)) && $this->hasHands($p->id, $minutes)));
        $isOwn = static fn (Person $p): bool => $team === null || in_array($p->id, $team, true);
        usort($free, static fn (Person $a, Person $b): int => [
            $a->learner, ! $isOwn($a), ! in_array($a->id, $before, true),
        ]
            <=> [$b->learner, ! $isOwn($b), ! in_array($b->id, $before, true)]);
        // A second pair of hands is whoever is free.
        if (count($free) < $wants || $free === [] || $free[0]->learner || ! $isOwn($free[0])) {
            return null;
        }

        return $wants === 1 ? [$free[0]->id] : [$free[0]->id, $free[1]->id];
    }

    private function hasHands(string $person, float $minutes): bool
    {
        foreach ($this->units as $unit) {
            $busy = $unit->stage === Stage::FirstHands || $unit->stage === Stage::LastHands;
            if ($busy && $unit->until > $this->now + self::TOUCH && in_array($person, $unit->people, true)) {
                return false;
            }
        }
        foreach ($this->hours[$person] as $span) {
            if ($span->holds($this->now, $this->now + max(self::TOUCH, $minutes))) {
                return true;
            }
        }

        return false;
    }

    private function outcome(): Outcome
    {
        $last = [];
        foreach ($this->units as $unit) {
            $end = $unit->isOver() ? $unit->since : $this->in->horizon_end;
            $last[$unit->job->id] = max($last[$unit->job->id] ?? 0.0, $end);
        }
        $late = array_sum(array_map(
            static fn (Job $job): float => max(0.0, $last[$job->id] - ($job->due ?? INF)),
            $this->in->jobs,
        ));
        $made = count(array_filter($this->units, static fn (Underway $u): bool => $u->isOver()));

        return new Outcome(
            Hand::idle(array_map(
                static fn (Hand $h): array => ['person' => $h->person, 'from' => $h->from, 'to' => $h->to],
                $this->hands,
            ), INF, $this->hours),
            Rings::atOnce($this->rings),
            count($this->rings),
            array_sum(array_map(static fn (Hand $h): float => $h->to - $h->from, $this->hands)),
            $late,
            $made,
            count($this->units) - $made,
            $this->driedAgain,
            $this->called,
            $this->held,
            $this->wrong,
        );
    }
}
