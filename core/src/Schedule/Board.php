<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Numerics\Effort;

/**
 * Stations, people and the supply as they are taken: whether a task can begin at a moment, and if not, from when on it
 * is worth another look. What is put on it last can be taken off again.
 */
final class Board
{
    private const TOUCH = 1e-9;

    /** @var array<string, list<Placed>> by station */
    private array $at = [];

    /** @var array<string, list<Span>> by person */
    private array $busy = [];

    /** @var list<Placed> */
    private array $hot = [];

    /** so many tasks that are looked over are as much work as a cell that is solved */
    private const LIKE_A_CELL = 6;

    /** @var array<string, list<Placed>> by station, in the order of their starts; as long as nothing changes there */
    private array $sorted = [];

    /** @var array<string, list<Span>> by job */
    private array $forbidden = [];

    /** @var list<Placed> in the order in which they were put */
    private array $placed = [];

    /** @var array<string, list<Span>> of stations and people, those that have one */
    private array $calendars = [];

    /** @var array<string, Station> */
    private array $stations = [];

    /** @var list<Span>|null when somebody is here; null where nobody has a calendar */
    private readonly ?array $attended;

    /** @var list<Person> whoever can do it alone first: a learner goes along */
    private array $people;

    /** @param  list<string>  $spared  whose hands are left for other work */
    public function __construct(
        private readonly PlanInput $in,
        private readonly Changeovers $changeovers,
        array $spared = [],
    ) {
        $this->people = array_values(array_filter(
            $in->people,
            static fn (Person $p): bool => ! in_array($p->id, $spared, true),
        ));
        usort($this->people, static fn (Person $a, Person $b): int => $a->learner <=> $b->learner);
        foreach ($in->stations as $station) {
            $this->stations[$station->id] = $station;
            $this->calendars["s {$station->id}"] = Span::calendar('calendar', $station->calendar);
        }
        foreach ($in->people as $person) {
            $this->calendars["p {$person->id}"] = Span::calendar('calendar', $person->calendar);
        }
        foreach ($in->jobs as $job) {
            $this->forbidden[$job->id] = Span::calendar('forbidden', $job->forbidden);
        }
        $this->attended = $this->attended();
    }

    /** @return list<Placed> */
    public function placed(): array
    {
        return $this->placed;
    }

    public function put(Placed $placed): void
    {
        $this->placed[] = $placed;
        $this->at[$placed->option->station][] = $placed;
        unset($this->sorted[$placed->option->station]);
        if (($this->stations[$placed->option->station]->amps ?? 0.0) > 0) {
            $this->hot[] = $placed;
        }
        foreach ($placed->hands as [$person, $span]) {
            $this->busy[$person][] = $span;
        }
    }

    /** Takes off what was put after there were so many. */
    public function backTo(int $count): void
    {
        while (count($this->placed) > $count && ($last = array_pop($this->placed)) !== null) {
            array_pop($this->at[$last->option->station]);
            unset($this->sorted[$last->option->station]);
            if (($this->stations[$last->option->station]->amps ?? 0.0) > 0) {
                array_pop($this->hot);
            }
            foreach ($last->hands as [$person]) {
                array_pop($this->busy[$person]);
            }
        }
    }

    public function look(Job $job, int $piece, Task $task, StationOption $option, float $start): Placed|Clash
    {
        self::spend(count($this->at[$option->station] ?? []));
        $end = $start + $option->minutes;
        if ($end > $this->in->horizon_end + self::TOUCH) {
            return new Clash(INF, 'it would end after the plan does');
        }
        $clash = $this->forbidden($job, $start, $end)
            ?? $this->outside("s {$option->station}", $start, $end, "{$option->station} does not work then")
            ?? $this->taken($task, $option, $start, $end)
            ?? $this->tooMuch($option, $start, $end)
            ?? ($task->hot ? $this->unattended($start, $end) : null);
        if ($clash !== null) {
            return $clash;
        }
        $hands = [];
        foreach ($task->hands($option->minutes) as $span) {
            $when = new Span($start + $span->from, $start + $span->to);
            $people = $this->people($task, $option->station, $when);
            if ($people instanceof Clash) {
                return new Clash($people->notBefore - $span->from, $people->says);
            }
            foreach ($people as $person) {
                $hands[] = [$person, $when];
            }
        }

        return new Placed($job, $piece, $task, $option, $start, $end, $hands);
    }

    private function forbidden(Job $job, float $start, float $end): ?Clash
    {
        foreach ($this->forbidden[$job->id] ?? [] as $span) {
            if ($span->meets($start, $end)) {
                return new Clash($span->to, "nothing of {$job->id} is done then");
            }
        }

        return null;
    }

    /** A calendar has windows; what is begun in one ends in it. */
    private function outside(string $whose, float $start, float $end, string $says): ?Clash
    {
        $calendar = $this->calendars[$whose] ?? [];
        if ($calendar === []) {
            return null;
        }
        foreach ($calendar as $span) {
            if ($span->holds($start, $end)) {
                return null;
            }
            if ($span->from > $start && $span->to - $span->from >= $end - $start - self::TOUCH) {
                return new Clash($span->from, $says);
            }
        }

        return new Clash(INF, $says);
    }

    /** The first gap on the station that takes it, with what is to be changed over on both sides. */
    private function taken(Task $task, StationOption $option, float $start, float $end): ?Clash
    {
        $from = $start;
        $minutes = $end - $start;
        $behind = null;
        $barred = false;
        foreach ($this->inOrder($option->station) as $other) {
            $after = $other->end + $this->changeovers->minutes($other->task->setup, $task->setup);
            if ($after <= $from + self::TOUCH) {
                $barred = false;

                continue;
            }
            $before = $from + $minutes + $this->changeovers->minutes($task->setup, $other->task->setup);
            if (! $barred && $before <= $other->start + self::TOUCH) {
                break;
            }
            // From some materials there is no way: then only behind what comes after that.
            $barred = is_infinite($after);
            $from = max($from, $barred ? $other->end : $after);
            $behind = $other;
        }

        return match (true) {
            $barred => new Clash(INF, "{$option->station} cannot be changed over from {$behind?->name()}"),
            $from > $start + self::TOUCH => new Clash($from, "{$option->station} is taken by {$behind?->name()}"),
            default => null,
        };
    }

    private static function spend(int $looked): void
    {
        Effort::spend(1 + intdiv($looked, self::LIKE_A_CELL));
    }

    /** @return list<Placed> */
    private function inOrder(string $station): array
    {
        if (! isset($this->sorted[$station])) {
            $all = $this->at[$station] ?? [];
            usort($all, static fn (Placed $a, Placed $b): int => $a->start <=> $b->start);
            $this->sorted[$station] = $all;
        }

        return $this->sorted[$station];
    }

    private function tooMuch(StationOption $option, float $start, float $end): ?Clash
    {
        $station = $this->stations[$option->station];
        $supply = $this->in->supply;
        if ($supply === null || $station->amps <= 0) {
            return null;
        }
        $phases = $station->phase === null ? range(1, $supply->phases) : [$station->phase];
        foreach ($phases as $phase) {
            if ($station->amps > $supply->amps + self::TOUCH) {
                return new Clash(INF, "{$station->id} alone draws more than the supply gives");
            }
            $on = array_filter($this->hot, fn (Placed $other): bool => $other->start < $end - self::TOUCH
                && $start < $other->end - self::TOUCH && $this->drawsOn($other, $phase));
            self::spend(count($on) ** 2);
            // It is at its highest where something begins.
            foreach ([$start, ...array_map(static fn (Placed $p): float => $p->start, $on)] as $moment) {
                if ($moment < $start) {
                    continue;
                }
                $there = array_filter(
                    $on,
                    static fn (Placed $p): bool => $p->start <= $moment + self::TOUCH
                        && $moment < $p->end - self::TOUCH,
                );
                $amps = array_sum(array_map(
                    fn (Placed $p): float => $this->stations[$p->option->station]->amps,
                    $there,
                ));
                if ($amps + $station->amps > $supply->amps + self::TOUCH) {
                    $soonest = min([INF, ...array_map(static fn (Placed $p): float => $p->end, $there)]);

                    return new Clash(max($soonest, $start + self::TOUCH), 'the supply gives no more then');
                }
            }
        }

        return null;
    }

    private function drawsOn(Placed $placed, int $phase): bool
    {
        $of = $this->stations[$placed->option->station]->phase;

        return $of === null || $of === $phase;
    }

    private function unattended(float $start, float $end): ?Clash
    {
        if ($this->attended === null) {
            return null;
        }
        foreach ($this->attended as $span) {
            if ($span->holds($start, $end)) {
                return null;
            }
            if ($span->from > $start && $span->to - $span->from >= $end - $start - self::TOUCH) {
                return new Clash($span->from, 'nobody is in the shop, and it is hot');
            }
        }

        return new Clash(INF, 'nobody is in the shop for so long, and it is hot');
    }

    /** @return list<string>|Clash whose hands */
    private function people(Task $task, string $station, Span $when): array|Clash
    {
        $free = [];
        $next = INF;
        $able = 0;
        foreach ($this->people as $person) {
            if ($person->may !== null && ! in_array($station, $person->may, true)) {
                continue;
            }
            $able++;
            $clash = $this->outside("p {$person->id}", $when->from, $when->to, '')
                ?? $this->hasHands($person->id, $when);
            if ($clash === null) {
                $free[] = $person;
            } else {
                $next = min($next, $clash->notBefore);
            }
        }
        $wants = $task->people;
        if (count($free) >= $wants && ! $free[0]->learner) {
            return $wants === 1 ? [$free[0]->id] : [$free[0]->id, $free[count($free) - 1]->id];
        }

        return new Clash($next, $able < $wants
            ? "nobody may work at {$station}, or not enough"
            : ($wants === 2 ? "two people are wanted at {$station}" : "everybody's hands are full"));
    }

    private function hasHands(string $person, Span $when): ?Clash
    {
        self::spend(count($this->busy[$person] ?? []));
        foreach ($this->busy[$person] ?? [] as $span) {
            if ($span->meets($when->from, $when->to)) {
                return new Clash($span->to, '');
            }
        }

        return null;
    }

    /** @return list<Span>|null */
    private function attended(): ?array
    {
        $spans = [];
        foreach ($this->in->people as $person) {
            $own = $this->calendars["p {$person->id}"];
            if ($own === []) {
                return null;
            }
            array_push($spans, ...$own);
        }

        return $this->in->people === [] ? null : Span::joined($spans);
    }
}
