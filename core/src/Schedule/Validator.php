<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/**
 * Whether a plan can be carried out as it stands. It looks at the tasks and at what was asked, and at nothing of how
 * the plan was found.
 */
final class Validator
{
    private const TOUCH = 1e-5;

    /** @var list<string> */
    private array $faults = [];

    private function __construct(private readonly PlanInput $in, private readonly Changeovers $changeovers)
    {
    }

    /**
     * @param  list<PlacedTask>  $tasks
     * @param  list<Hand>  $hands
     * @return list<string> what is wrong with it
     */
    public static function faults(PlanInput $in, Changeovers $changeovers, array $tasks, array $hands): array
    {
        $look = new self($in, $changeovers);
        $look->pieces($tasks);
        $look->stations($tasks);
        $look->people($tasks, $hands);
        $look->supply($tasks);

        return $look->faults;
    }

    private function fault(bool $holds, string $says): void
    {
        if (! $holds) {
            $this->faults[] = $says;
        }
    }

    /** @param  list<PlacedTask>  $tasks */
    private function pieces(array $tasks): void
    {
        $by = [];
        foreach ($tasks as $t) {
            $this->fault(! isset($by[$t->job][$t->piece][$t->task]), "{$t->job} {$t->piece} {$t->task} stands twice");
            $by[$t->job][$t->piece][$t->task] = $t;
        }
        foreach ($this->in->jobs as $job) {
            if (! isset($by[$job->id])) {
                continue;
            }
            $this->fault(count($by[$job->id]) === $job->pieces, "{$job->id} has pieces missing");
            foreach ($by[$job->id] as $piece => $placed) {
                foreach ($job->tasks as $task) {
                    $at = $placed[$task->id] ?? null;
                    $name = "{$job->id} {$piece} {$task->id}";
                    if ($at === null) {
                        $this->fault(false, "{$name} is missing");

                        continue;
                    }
                    $minutes = array_column($task->stations, 'minutes', 'station')[$at->station] ?? null;
                    $this->fault(
                        $minutes !== null && abs($at->end - $at->start - $minutes) < self::TOUCH,
                        "{$name} takes {$minutes}",
                    );
                    $this->fault(
                        $at->start > max($this->in->now, $job->release ?? -INF) - self::TOUCH,
                        "{$name} is too early",
                    );
                    $this->fault($at->end < $this->in->horizon_end + self::TOUCH, "{$name} ends after the horizon");
                    foreach (Span::calendar('forbidden', $job->forbidden) as $span) {
                        $this->fault(
                            ! $span->meets($at->start + self::TOUCH, $at->end - self::TOUCH),
                            "{$name} is when it is forbidden",
                        );
                    }
                    $ends = [];
                    foreach ($task->after as $before) {
                        $ends[] = $end = ($placed[$before] ?? $at)->end;
                        $this->fault($at->start > $end - self::TOUCH, "{$name} is before {$before} ends");
                        $gap = $task->max_gap_min;
                        $this->fault(
                            $gap === null || $at->start - $end < $gap + self::TOUCH,
                            "{$name} waits over {$gap} min",
                        );
                    }
                    $this->fault(
                        ! $task->no_wait || abs($at->start - max([-INF, ...$ends])) < self::TOUCH,
                        "{$name} waits",
                    );
                }
            }
            $pinned = $job->pinned_start;
            $first = $by[$job->id][1][$job->tasks[0]->id] ?? null;
            foreach ($pinned === null ? [] : array_merge(...array_map(array_values(...), array_values($by[$job->id]))) as $at) {
                $this->fault($at->start > $pinned - self::TOUCH, "{$job->id} {$at->piece} begins before it is pinned");
            }
            $this->fault(
                $pinned === null || abs(($first->start ?? -INF) - $pinned) < self::TOUCH,
                "{$job->id} is pinned elsewhere",
            );
        }
    }

    /** @param  list<PlacedTask>  $tasks */
    private function stations(array $tasks): void
    {
        foreach ($this->in->stations as $station) {
            $own = array_values(array_filter($tasks, static fn (PlacedTask $t): bool => $t->station === $station->id));
            usort($own, static fn (PlacedTask $a, PlacedTask $b): int => $a->start <=> $b->start);
            $calendar = Span::calendar('calendar', $station->calendar);
            foreach ($own as $i => $t) {
                $this->fault(
                    self::within($calendar, $t->start, $t->end),
                    "{$station->id} does not work at {$t->start}",
                );
                if ($i > 0) {
                    $before = $own[$i - 1];
                    $wants = $this->changeovers->minutes($this->task($before)->setup, $this->task($t)->setup);
                    $this->fault(
                        $t->start - $before->end > $wants - self::TOUCH,
                        "{$station->id} is taken twice at {$t->start}",
                    );
                }
            }
        }
    }

    /**
     * @param  list<PlacedTask>  $tasks
     * @param  list<Hand>  $hands
     */
    private function people(array $tasks, array $hands): void
    {
        $all = [];
        foreach ($this->in->people as $person) {
            $calendar = Span::calendar('calendar', $person->calendar);
            array_push($all, ...($calendar === [] ? [new Span(-INF, INF)] : $calendar));
            $own = array_values(array_filter($hands, static fn (Hand $h): bool => $h->person === $person->id));
            usort($own, static fn (Hand $a, Hand $b): int => $a->from <=> $b->from);
            foreach ($own as $i => $hand) {
                $this->fault(
                    self::within($calendar, $hand->from, $hand->to),
                    "{$person->id} is not here at {$hand->from}",
                );
                $this->fault(
                    $i === 0 || $hand->from > $own[$i - 1]->to - self::TOUCH,
                    "{$person->id} is at two places at {$hand->from}",
                );
                $may = $person->may === null || in_array($hand->station, $person->may, true);
                $this->fault($may, "{$person->id} may not work at {$hand->station}");
            }
        }
        foreach ($tasks as $t) {
            $task = $this->task($t);
            foreach ($task->hands($t->end - $t->start) as $span) {
                $there = array_filter($hands, static fn (Hand $h): bool => $h->station === $t->station
                    && abs($h->from - $t->start - $span->from) < self::TOUCH
                    && abs($h->to - $t->start - $span->to) < self::TOUCH);
                $this->fault(
                    count(array_unique(array_column($there, 'person'))) === $task->people,
                    "{$t->job} {$t->piece} {$t->task} wants {$task->people} at {$t->start}",
                );
            }
            $attended = $this->in->people === [] || self::within(Span::joined($all), $t->start, $t->end);
            $this->fault(! $task->hot || $attended, "{$t->job} {$t->piece} {$t->task} is hot and alone");
        }
    }

    /** @param  list<PlacedTask>  $tasks */
    private function supply(array $tasks): void
    {
        $supply = $this->in->supply;
        if ($supply === null) {
            return;
        }
        foreach (range(1, $supply->phases) as $phase) {
            foreach ($tasks as $moment) {
                $amps = 0.0;
                foreach ($this->in->stations as $station) {
                    $on = $station->phase === null || $station->phase === $phase ? array_filter(
                        $tasks,
                        static fn (PlacedTask $t): bool => $t->station === $station->id
                            && $t->start < $moment->start + self::TOUCH && $moment->start < $t->end - self::TOUCH,
                    ) : [];
                    $amps += $on === [] ? 0.0 : $station->amps;
                }
                $this->fault($amps < $supply->amps + self::TOUCH, "phase {$phase} gives {$amps} A at {$moment->start}");
            }
        }
    }

    private function task(PlacedTask $placed): Task
    {
        foreach ($this->in->jobs as $job) {
            foreach ($job->id === $placed->job ? $job->tasks : [] as $task) {
                if ($task->id === $placed->task) {
                    return $task;
                }
            }
        }

        return new Task($placed->task, [new StationOption($placed->station, $placed->end - $placed->start)]);
    }

    /** @param  list<Span>  $calendar */
    private static function within(array $calendar, float $from, float $to): bool
    {
        foreach ($calendar as $span) {
            if ($span->from < $from + self::TOUCH && $to < $span->to + self::TOUCH) {
                return true;
            }
        }

        return $calendar === [];
    }
}
