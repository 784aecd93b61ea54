<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Schedule\Job;
use Dithermic\Core\Schedule\Person;
use Dithermic\Core\Schedule\PlacedTask;
use Dithermic\Core\Schedule\PlanInput;
use Dithermic\Core\Schedule\Planner;
use Dithermic\Core\Schedule\Span;
use Dithermic\Core\Schedule\Station;
use Dithermic\Core\Schedule\StationOption;
use Dithermic\Core\Schedule\Task;

/**
 * By schedule.plan. What comes otherwise, or later than it was planned by more than a few minutes, has the rest planned
 * again, near the plan before.
 */
final class AsPlanned implements Dispatch
{
    private const TOUCH = 1e-6;

    /** so much later, or sooner, than planned and the rest is planned again, min */
    private const DRIFT_MIN = 4.0;

    /** between one plan and the next, at least, min */
    private const REST_MIN = 2.0;

    /** nothing is begun sooner than planned by more than this, min */
    private const EARLY_MIN = 45.0;

    /** what would ring with another clock is begun so much later at most, looked at again so often, min */
    private const HOLD_MIN = 6.0;

    /** what was dried and stands is begun before its time when there is only so much of it left, min */
    private const SOON_MIN = 20.0;

    /** the day is planned so much shorter than it is: what runs late is done all the same, min */
    private const RESERVE_MIN = 15.0;

    private const LOOK_MIN = 0.5;

    /** two clocks are kept so far apart, that hands which take longer do not bring them together, min */
    private const APART_MIN = 1.6;

    public int $replanned = 0;

    /** the longest that a plan took, s */
    public float $slowest = 0.0;

    /** @var array<string, array{PlacedTask, StationOption}> by piece and task */
    private array $plan = [];

    /** @var list<string>|null who has hands in the plan */
    private ?array $team = null;

    private float $plannedAt = -INF;

    private bool $stale = true;

    public function __construct(private readonly Planner $planner, private readonly float $seconds)
    {
    }

    public function wanted(Floor $floor): iterable
    {
        if ($this->isStale($floor)) {
            $this->replan($floor);
        }
        $due = [];
        foreach ($floor->units as $unit) {
            $placed = $this->planned($unit);
            if ($placed === null) {
                continue;
            }
            if ($floor->at($placed[0]->station) === null && $this->isNextAt($floor, $placed[0])) {
                $floor->prepare($placed[0]->station, $unit->task()?->setup);
            }
            $late = $floor->now - $placed[0]->start;
            if (
                $late >= -self::TOUCH
                && ($late > self::HOLD_MIN || ! $this->ringsWithAnother($floor, $unit, $placed[1]))
            ) {
                $due[] = [$placed[0]->start, $unit, $placed[1]];
            }
        }
        if ($due === []) {
            $due = $this->early($floor);
        }
        usort($due, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        // What is dry and soon stands too long goes before everything, wherever it may be done.
        foreach ($floor->units as $unit) {
            $most = $unit->waits() && $unit->at > 0 ? $unit->task()?->max_gap_min : null;
            if ($most !== null && $floor->now - $unit->since > $most - self::SOON_MIN) {
                foreach ($unit->task()->stations as $on) {
                    yield [$unit, $on];
                }
            }
        }
        foreach ($due as [, $unit, $on]) {
            yield [$unit, $on];
        }
    }

    public function team(Floor $floor, Underway $unit): ?array
    {
        return $this->team;
    }

    public function next(Floor $floor): float
    {
        $next = INF;
        foreach ($floor->units as $unit) {
            $placed = $this->planned($unit);
            if ($placed === null) {
                continue;
            }
            $start = $placed[0]->start;
            $again = $start + self::HOLD_MIN > $floor->now
                ? $floor->now + self::LOOK_MIN
                : max($floor->now, $start + self::DRIFT_MIN) + self::REST_MIN;
            $next = min($next, $start > $floor->now + self::TOUCH ? $start : $again);
        }

        return $next;
    }

    public function told(Floor $floor, string $what): void
    {
        $this->stale = true;
    }

    private function isStale(Floor $floor): bool
    {
        if ($this->stale) {
            return true;
        }
        if ($floor->now - $this->plannedAt < self::REST_MIN) {
            return false;
        }
        foreach ($floor->units as $unit) {
            $placed = $this->plan[self::key($unit, $unit->task())][0] ?? null;
            if ($placed === null) {
                continue;
            }
            $late = $unit->waits() ? $floor->now - $placed->start : abs($unit->expected($floor->now) - $placed->end);
            if ($late > self::DRIFT_MIN) {
                return true;
            }
        }

        return false;
    }

    /** Whether one of its clocks, begun now, would ring together with one that runs. */
    private function ringsWithAnother(Floor $floor, Underway $unit, StationOption $on): bool
    {
        $own = self::rings($unit, $on, $floor->now + $on->minutes);
        foreach ($floor->units as $other) {
            if ($other->on === null || $other->stage === Stage::LastHands) {
                continue;
            }
            foreach (self::rings($other, $other->on, $other->expected($floor->now)) as $ring) {
                foreach ($own as $mine) {
                    if (abs($ring - $mine) < self::APART_MIN) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * When the clocks of a piece ring, of its task and of what follows at once, as far as is known.
     *
     * @return list<float>
     */
    private static function rings(Underway $unit, StationOption $on, float $end): array
    {
        $rings = [];
        for ($i = $unit->at; $i === $unit->at || ($unit->job->tasks[$i]->no_wait ?? false); $i++) {
            $task = $unit->job->tasks[$i] ?? null;
            if ($task === null) {
                break;
            }
            if ($i > $unit->at) {
                $on = $task->stations[0];
                $end += $on->minutes;
            }
            $after = $task->rings($on->minutes);
            if ($after !== null) {
                $rings[] = $end - $on->minutes + $after;
            }
        }

        return $rings;
    }

    /** @return array{PlacedTask, StationOption}|null where what it waits for stands in the plan */
    private function planned(Underway $unit): ?array
    {
        return $unit->waits() ? $this->plan[self::key($unit, $unit->task())] ?? null : null;
    }

    private function isNextAt(Floor $floor, PlacedTask $placed): bool
    {
        foreach ($floor->units as $unit) {
            $other = $this->planned($unit)[0] ?? null;
            if (
                $other !== null
                && $other->station === $placed->station
                && $other->start < $placed->start - self::TOUCH
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * What comes next anyway and can be begun sooner: where nothing will ring while hands are on it.
     *
     * @return list<array{float, Underway, StationOption}>
     */
    private function early(Floor $floor): array
    {
        $rings = array_map(
            static fn (Underway $u): float => $u->waits() || $u->isOver()
                ? INF
                : $u->expected($floor->now) - $u->lastHands(),
            $floor->units,
        );
        $early = [];
        foreach ($floor->units as $unit) {
            $placed = $this->planned($unit);
            if (
                $placed !== null
                && $placed[0]->start - $floor->now <= self::EARLY_MIN
                && $floor->at($placed[0]->station) === null
                && ! $this->ringsWithAnother($floor, $unit, $placed[1])
                && $this->isNextAt($floor, $placed[0])
                && min([INF, ...$rings]) > $floor->now + $unit->firstHands($placed[1])
            ) {
                $early[] = [$placed[0]->start, $unit, $placed[1]];
            }
        }

        return $early;
    }

    private function replan(Floor $floor): void
    {
        [$jobs, $units, $shelves] = $this->jobs($floor);
        $this->stale = false;
        $this->plannedAt = $floor->now;
        if ($jobs === []) {
            return;
        }
        $this->replanned++;
        $previous = [];
        foreach ($units as $id => $pieces) {
            foreach ($pieces as $piece => $unit) {
                foreach ($unit->job->tasks as $task) {
                    $was = $this->plan[self::key($unit, $task)][0] ?? null;
                    if ($was !== null) {
                        $previous[] = new PlacedTask(
                            (string) $id,
                            $piece,
                            $task->id,
                            $was->station,
                            $was->start,
                            $was->end,
                            $was->people,
                        );
                    }
                }
            }
        }
        $in = $floor->in;
        $began = hrtime(true);
        $result = ($this->planner)(new PlanInput(
            $floor->now,
            max($floor->now + 1.0, $in->horizon_end - self::RESERVE_MIN),
            [...array_map(fn (Station $s): Station => $this->station($floor, $s), $in->stations), ...$shelves],
            $jobs,
            array_map(static fn (Person $p): Person => new Person(
                $p->id,
                // Who has left has no hours: an empty calendar would say always.
                array_map(
                    static fn (Span $s): array => [$s->from, $s->to],
                    $floor->hours($p->id),
                ) ?: [[$in->now - 1, $in->now]],
                $p->may,
                $p->learner,
            ), $in->people),
            $in->supply,
            $in->changeover,
            $previous,
            $in->stay_weight,
            $this->seconds,
            $in->seed,
        ));
        $this->slowest = max($this->slowest, (hrtime(true) - $began) / 1e9);
        $this->plan = [];
        $this->team = array_values(array_unique(array_column($result->hands, 'person'))) ?: null;
        foreach ($result->tasks as $placed) {
            $unit = $units[$placed->job][$placed->piece] ?? null;
            $task = array_column($unit->job->tasks ?? [], null, 'id')[$placed->task] ?? null;
            $on = array_column($task->stations ?? [], null, 'station')[$placed->station] ?? null;
            if ($unit !== null && $task !== null && $on !== null) {
                $this->plan[self::key($unit, $task)] = [$placed, $on];
            }
        }
    }

    /**
     * What is left of the day: pieces that nobody has begun by their jobs, each that is under way as a job of its own,
     * and how stations were left.
     *
     * @return array{list<Job>, array<string, array<int, Underway>>, list<Station>}
     */
    private function jobs(Floor $floor): array
    {
        [$jobs, $units, $shelves] = [[], [], []];
        foreach ($floor->in->stations as $station) {
            $left = $floor->leftAs($station->id);
            if ($left !== null && $left[0] !== null && $floor->at($station->id) === null) {
                $before = new Task('before', [new StationOption($station->id, 1.0)], setup: $left[0]);
                $jobs[] = new Job("before {$station->id}", [$before], pinned_start: min($left[1], $floor->now) - 1.0);
            }
        }
        foreach ($floor->units as $unit) {
            if ($unit->isOver()) {
                continue;
            }
            if ($unit->isFresh()) {
                $units[$unit->job->id][count($units[$unit->job->id] ?? []) + 1] = $unit;

                continue;
            }
            $id = "{$unit->job->id} {$unit->piece} under way";
            $units[$id] = [1 => $unit];
            [$jobs[], $shelf] = $this->rest($floor, $unit, $id);
            if ($shelf !== null) {
                $shelves[] = $shelf;
            }
        }
        foreach ($floor->in->jobs as $job) {
            if (isset($units[$job->id])) {
                $jobs[] = new Job(
                    $job->id,
                    $job->tasks,
                    $job->product,
                    $job->release,
                    $job->due,
                    $job->weight,
                    count($units[$job->id]),
                    forbidden: $job->forbidden,
                );
            }
        }

        return [$jobs, $units, $shelves];
    }

    /** @return array{Job, Station|null} the rest of a piece that is under way, and where it stands meanwhile */
    private function rest(Floor $floor, Underway $unit, string $id): array
    {
        $job = $unit->job;
        $tasks = array_slice($job->tasks, $unit->at);
        $on = $unit->on;
        $shelf = null;
        if ($on !== null) {
            $minutes = max(0.1, $unit->expected($floor->now) - $unit->began);
            $last = $unit->stage === Stage::LastHands ? $unit->expected($floor->now) - $floor->now : $unit->lastHands();
            $first = $unit->stage === Stage::FirstHands ? max($floor->now - $unit->began, $unit->firstHands($on)) : 0.0;
            $tasks[0] = new Task(
                $tasks[0]->id,
                [new StationOption($on->station, $minutes)],
                min($minutes, $first),
                min($minutes, max(0.0, $last)),
                $tasks[0]->people,
                $tasks[0]->setup,
            );
            $begins = $unit->began;
        } else {
            // It waits: what was done last stands there as done, so that it is not let stand too long.
            $shelf = new Station("shelf {$unit->name()}");
            $done = $job->tasks[$unit->at - 1] ?? $tasks[0];
            array_unshift(
                $tasks,
                new Task($done->id === $tasks[0]->id ? 'done' : $done->id, [new StationOption($shelf->id, 1.0)]),
            );
            $begins = $unit->since - 1.0;
        }

        return [
            new Job($id, array_values($tasks), $job->product, null, $job->due, $job->weight, pinned_start: $begins),
            $shelf,
        ];
    }

    /** A station as it is known now: while it has fallen out nothing is begun at it. */
    private function station(Floor $floor, Station $station): Station
    {
        $fault = $floor->faultUntil($station->id);
        if ($fault === null) {
            return $station;
        }
        $there = $floor->at($station->id);
        $end = $there?->expected($floor->now) ?? $floor->now;
        $works = $end >= $fault - self::TOUCH
            ? [[$floor->in->now - 1e4, $floor->in->horizon_end]]
            : [[$floor->in->now - 1e4, max($floor->now, $end) + self::TOUCH], [$fault, $floor->in->horizon_end]];

        return new Station($station->id, $station->kind, $works, $station->amps, $station->phase);
    }

    private static function key(Underway $unit, ?Task $task): string
    {
        return "{$unit->name()}/{$task?->id}";
    }
}
