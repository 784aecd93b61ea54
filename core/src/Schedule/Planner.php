<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Numerics\Effort;
use Dithermic\Core\Numerics\TooMuchWork;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A day or a week of a shop: jobs in pieces through stations with people's hands, the supply and what must not wait.
 * Plans are built piece by piece in an order, and the order is searched: neighbours change places, pieces are put
 * elsewhere, and what is worse is taken now and then, less and less (simulated annealing; Kirkpatrick, Gelatt & Vecchi,
 * Science 220 (1983) 671). Weighted minutes late come first, then staying near the plan before, then idle hands.
 *
 * How many plans are tried follows from time_limit_s and the work that they are, counted and not timed: the same
 * question and seed give the same plan on every machine.
 */
#[Calc(
    'schedule.plan',
    'a day planned: stations, hands, supply, changeovers, and what holds up what is late',
    size: 'jobs',
    long: true,
    lighter: 'plan fewer days, or fewer pieces',
)]
final readonly class Planner
{
    /** what a core does in a second, in cells; see Effort */
    private const CELLS_PER_S = 400_000;

    private const MOST_PLANS = 4000;

    /** a plan this much worse, as a share, is still taken at the beginning */
    private const WARM = 0.05;

    private const CHAIN = 6;

    /** so often somebody is left for other work, or taken back, of all neighbours: one in this and one more */
    private const SELDOM = 7;

    /**
     * What a plan costs: a minute that a job of weight 1 is late, or that one moves against the plan before; a minute
     * that the day is longer; a minute that hands are idle; two clocks that ring at once. Lateness stands before all
     * else.
     */
    private const LATE = 10.0;

    private const LONGER = 0.01;

    private const IDLE = 0.02;

    private const RINGS = 0.5;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $changeovers = new Changeovers($this->polymers, $in->matrix());
        $builder = new Builder($in, $changeovers);
        $dice = new Randomizer(new Mt19937($in->seed));
        $hours = [];
        foreach ($in->people as $person) {
            $hours[$person->id] = Span::calendar('calendar', $person->calendar);
        }
        [$best, $impossible, $cost, $order] = [[], [], INF, []];
        $tried = 0;
        foreach ([$this->urgentFirst($in), ...($in->previous === [] ? [] : [$this->asBefore($in)])] as $start) {
            $plan = $builder->build($start);
            $now = $this->cost($in, $plan, $builder->impossible, $hours);
            $tried++;
            if ($now < $cost) {
                [$best, $impossible, $cost, $order] = [$plan, $builder->impossible, $now, $start];
            }
        }
        $least = $cost;
        $spared = [];
        $search = function () use (
            $in,
            $builder,
            $dice,
            $hours,
            &$spared,
            &$order,
            &$best,
            &$impossible,
            &$cost,
            &$least,
            &$tried,
        ): void {
            $budget = Effort::left();
            for (; $tried < self::MOST_PLANS && count($order) > 1; $tried++) {
                $other = $this->neighbour($order, $dice);
                $free = $this->others($in, $spared, $dice);
                $plan = $builder->build($other, $free);
                $now = $this->cost($in, $plan, $builder->impossible, $hours);
                $warm = self::WARM * ($cost + 1) * Effort::left() / $budget;
                if ($now < $cost || ($warm > 0 && $dice->getInt(0, 1_000_000) / 1e6 < exp(($cost - $now) / $warm))) {
                    [$order, $spared, $cost] = [$other, $free, $now];
                }
                if ($now < $least) {
                    [$best, $impossible, $least] = [$plan, $builder->impossible, $now];
                }
            }
        };
        try {
            Effort::within((int) ($in->time_limit_s * self::CELLS_PER_S), $search);
        } catch (TooMuchWork) {
            // The time is over: what was found stands.
        }

        return $this->result($in, $best, $impossible, $tried);
    }

    /**
     * Pinned jobs before all, then by the time there is left to each.
     *
     * @return list<array{Job, int}> pieces of jobs
     */
    private function urgentFirst(PlanInput $in): array
    {
        $jobs = $in->jobs;
        $slack = static fn (Job $job): float => ($job->due ?? $in->horizon_end)
            - $job->pieces * max([0.0, ...array_map(self::shortest(...), $job->tasks)]);
        usort($jobs, static fn (Job $a, Job $b): int => [$a->pinned_start === null, $slack($a), -$a->weight]
            <=> [$b->pinned_start === null, $slack($b), -$b->weight]);
        $order = [];
        foreach ($jobs as $job) {
            for ($piece = 1; $piece <= $job->pieces; $piece++) {
                $order[] = [$job, $piece];
            }
        }

        return $order;
    }

    /**
     * As the plan before had them; what is new comes behind, by the time there is left to it.
     *
     * @return list<array{Job, int}> pieces of jobs
     */
    private function asBefore(PlanInput $in): array
    {
        $starts = [];
        foreach ($in->previous as $task) {
            $unit = "{$task->job}/{$task->piece}";
            $starts[$unit] = min($starts[$unit] ?? INF, $task->start);
        }
        $order = $this->urgentFirst($in);
        $at = static fn (array $unit): array => [
            $unit[0]->pinned_start === null,
            $starts["{$unit[0]->id}/{$unit[1]}"] ?? INF,
        ];
        usort($order, static fn (array $a, array $b): int => $at($a) <=> $at($b));

        return $this->inOrder($order);
    }

    private static function shortest(Task $task): float
    {
        return min([INF, ...array_column($task->stations, 'minutes')]);
    }

    /**
     * @param  list<array{Job, int}>  $order
     * @return list<array{Job, int}>
     */
    private function neighbour(array $order, Randomizer $dice): array
    {
        $last = count($order) - 1;
        $from = $dice->getInt(0, $last);
        $job = $order[$from][0]->id;
        $to = $dice->getInt(0, $last);
        if ($dice->getInt(0, 2) === 0) {
            // A whole job goes elsewhere.
            $own = array_filter($order, static fn (array $unit): bool => $unit[0]->id === $job);
            $rest = array_values(array_filter($order, static fn (array $unit): bool => $unit[0]->id !== $job));
            array_splice($rest, min($to, count($rest)), 0, array_values($own));

            return $rest;
        }
        $unit = $order[$from];
        array_splice($order, $from, 1);
        array_splice($order, $to, 0, [$unit]);

        return $this->inOrder($order);
    }

    /**
     * Now and then somebody is left for other work altogether, or taken back.
     *
     * @param  list<string>  $spared
     * @return list<string>
     */
    private function others(PlanInput $in, array $spared, Randomizer $dice): array
    {
        if (count($in->people) < 2 || $dice->getInt(0, self::SELDOM) > 0) {
            return $spared;
        }
        $who = $in->people[$dice->getInt(0, count($in->people) - 1)]->id;
        $others = in_array($who, $spared, true) ? array_values(array_diff($spared, [$who])) : [...$spared, $who];

        return count($others) < count($in->people) ? $others : $spared;
    }

    /**
     * The pieces of a job come in their own order, wherever they stand.
     *
     * @param  list<array{Job, int}>  $order
     * @return list<array{Job, int}>
     */
    private function inOrder(array $order): array
    {
        $seen = [];
        foreach ($order as $i => [$job]) {
            $order[$i] = [$job, $seen[$job->id] = ($seen[$job->id] ?? 0) + 1];
        }

        return $order;
    }

    /**
     * @param  list<Placed>  $plan
     * @param  array<string, string>  $impossible
     * @param  array<string, list<Span>>  $hours  by person
     */
    private function cost(PlanInput $in, array $plan, array $impossible, array $hours): float
    {
        $cost = 1e7 * count($impossible);
        foreach ($this->lateness($in, $plan) as [$job, $minutes]) {
            $cost += self::LATE * $job->weight * $minutes;
        }
        if ($in->previous !== []) {
            foreach ($this->moved($in, $plan) as $moved) {
                $cost += self::LATE * $in->stay_weight * ($moved->from_min === null ? 0.0 : abs(
                    $moved->to_min - $moved->from_min,
                ));
            }
        }
        $end = max([$in->now, ...array_map(static fn (Placed $p): float => $p->end, $plan)]);

        return $cost + self::LONGER * ($end - $in->now) + self::IDLE * self::idle($plan, $hours)
            + self::RINGS * self::clocksAtOnce($plan);
    }

    /**
     * @param  list<Placed>  $plan
     * @return list<array{Job, float, Placed}> jobs that are late, by how much, and the task that ends last
     */
    private function lateness(PlanInput $in, array $plan): array
    {
        $last = [];
        foreach ($plan as $placed) {
            if ($placed->end > ($last[$placed->job->id]->end ?? -INF)) {
                $last[$placed->job->id] = $placed;
            }
        }
        $late = [];
        foreach ($last as $placed) {
            $minutes = $placed->end - ($placed->job->due ?? INF);
            if ($minutes > 1e-6) {
                $late[] = [$placed->job, $minutes, $placed];
            }
        }

        return $late;
    }

    /**
     * @param  list<Placed>  $plan
     * @param  array<string, string>  $impossible
     */
    private function result(PlanInput $in, array $plan, array $impossible, int $tried): PlanResult
    {
        usort(
            $plan,
            static fn (Placed $a, Placed $b): int => [
                $a->start,
                $a->job->id,
                $a->piece,
            ] <=> [$b->start, $b->job->id, $b->piece],
        );
        $hands = [];
        foreach ($plan as $placed) {
            foreach ($placed->hands as [$person, $span]) {
                $hands[] = new Hand(
                    $person,
                    round($span->from, 6),
                    round($span->to, 6),
                    $placed->name(),
                    $placed->option->station,
                );
            }
        }
        usort($hands, static fn (Hand $a, Hand $b): int => [$a->from, $a->person] <=> [$b->from, $b->person]);
        $end = max([$in->now, ...array_map(static fn (Placed $p): float => $p->end, $plan)]);
        $late = array_map(
            fn (array $l): Late => new Late($l[0]->id, round($l[1], 4), $this->chain($plan, $l[2])),
            $this->lateness($in, $plan),
        );
        $none = array_map(
            static fn (string $job, string $says): Impossible => new Impossible($job, $says),
            array_map(strval(...), array_keys($impossible)),
            array_values($impossible),
        );

        return (new PlanResult(
            array_map(static fn (Placed $p): PlacedTask => $p->told(), $plan),
            $hands,
            round($this->bound($in, $impossible), 4),
            round($end - $in->now, 4),
            $late,
            $none,
            $this->moved($in, $plan),
            round(self::idle($plan), 4),
            self::rings($hands),
            $this->peak($in, $plan),
            $tried,
        ))->explain(sprintf(
            '%d tasks in %.0f min%s%s.',
            count($plan),
            $end - $in->now,
            $late === [] ? ', none late' : sprintf(', %d late', count($late)),
            $none === [] ? '' : sprintf(', %d cannot be done', count($none)),
        ));
    }

    /**
     * What holds a task, and what holds that, backwards.
     *
     * @param  list<Placed>  $plan
     * @return list<string>
     */
    private function chain(array $plan, Placed $of): array
    {
        $chain = [];
        for ($n = 0; $n < self::CHAIN; $n++) {
            if ($of->because !== '') {
                $chain[] = "{$of->name()}: {$of->because}";
            }
            $before = null;
            foreach ($plan as $other) {
                $own = $other->job === $of->job
                    && $other->piece === $of->piece
                    && in_array($other->task->id, $of->task->after, true);
                $there = $other->option->station === $of->option->station;
                if (
                    $other !== $of
                    && ($own || $there)
                    && $other->end <= $of->start + 1e-6
                    && $other->end > ($before->end ?? -INF)
                ) {
                    $before = $other;
                }
            }
            if ($before === null) {
                break;
            }
            $of = $before;
        }

        return $chain === [] ? ['it takes as long as that, with nothing in its way'] : $chain;
    }

    /**
     * @param  list<Placed>  $plan
     * @return list<Moved>
     */
    private function moved(PlanInput $in, array $plan): array
    {
        if ($in->previous === []) {
            return [];
        }
        $before = [];
        foreach ($in->previous as $task) {
            $before["{$task->job}/{$task->piece}/{$task->task}"] = $task;
        }
        $moved = [];
        foreach ($plan as $placed) {
            $was = $before["{$placed->job->id}/{$placed->piece}/{$placed->task->id}"] ?? null;
            if (
                $was === null
                || abs($was->start - $placed->start) > 0.5
                || $was->station !== $placed->option->station
            ) {
                $moved[] = new Moved(
                    $placed->job->id,
                    $placed->piece,
                    $placed->task->id,
                    $was?->start,
                    round($placed->start, 6),
                    $placed->option->station,
                );
            }
        }

        return $moved;
    }

    /**
     * No plan ends sooner: the longest piece, and the station with most that no other can do.
     *
     * @param  array<string, string>  $impossible
     */
    private function bound(PlanInput $in, array $impossible): float
    {
        $bound = 0.0;
        $load = [];
        foreach ($in->jobs as $job) {
            if (isset($impossible[$job->id])) {
                continue;
            }
            $ends = [];
            $release = max(0.0, ($job->release ?? $in->now) - $in->now);
            foreach ($job->tasks as $task) {
                $begin = max([$release, ...array_values(array_intersect_key($ends, array_flip($task->after)))]);
                $ends[$task->id] = $begin + self::shortest($task);
                if (count($task->stations) === 1) {
                    $on = $task->stations[0]->station;
                    $load[$on] = ($load[$on] ?? 0.0) + $job->pieces * $task->stations[0]->minutes;
                }
            }
            $bound = max($bound, ...array_values($ends));
        }

        return max([$bound, ...array_values($load)]);
    }

    /**
     * @param  list<Placed>  $plan
     * @param  array<string, list<Span>>  $hours  by person, where breaks are nobody's waiting
     */
    private static function idle(array $plan, array $hours = []): float
    {
        $hands = [];
        foreach ($plan as $placed) {
            foreach ($placed->hands as [$person, $span]) {
                $hands[] = ['person' => $person, 'from' => $span->from, 'to' => $span->to];
            }
        }

        return Hand::idle($hands, INF, $hours);
    }

    /**
     * How often one clock rings within a minute of another.
     *
     * @param  list<Placed>  $plan
     */
    private static function clocksAtOnce(array $plan): int
    {
        $rings = [];
        foreach ($plan as $placed) {
            $after = $placed->task->rings($placed->option->minutes);
            if ($after !== null) {
                $rings[] = $placed->start + $after;
            }
        }

        return Rings::atOnce($rings);
    }

    /** @param  list<Hand>  $hands by their start */
    private static function rings(array $hands): int
    {
        $rings = 0;
        foreach ($hands as $i => $hand) {
            $before = $hands[$i - 1] ?? null;
            $rings += $before !== null
                && $hand->from - $before->from < Rings::AT_ONCE_MIN
                && $hand->what !== $before->what
                ? 1
                : 0;
        }

        return $rings;
    }

    /** @param  list<Placed>  $plan */
    private function peak(PlanInput $in, array $plan): float
    {
        $stations = array_column($in->stations, null, 'id');
        $peak = 0.0;
        foreach (range(1, $in->supply->phases ?? 1) as $phase) {
            foreach ($plan as $moment) {
                $amps = 0.0;
                foreach ($plan as $other) {
                    $station = $stations[$other->option->station];
                    $on = $station->phase === null || $station->phase === $phase;
                    $amps += $on && $other->start <= $moment->start && $moment->start < $other->end
                        ? $station->amps
                        : 0.0;
                }
                $peak = max($peak, $amps);
            }
        }

        return $peak;
    }
}
