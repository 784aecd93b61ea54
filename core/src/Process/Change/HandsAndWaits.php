<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

/**
 * Puts the tasks of a job change in order for the hands there are: waits begin as soon as they may, hands take what is
 * urgent.
 *
 * A resource-constrained project of a few dozen tasks. A serial schedule by priority (Kolisch 1996), the longest way to
 * the end first, then pairs of priorities exchanged until none helps. No schedule is shorter than its longest chain,
 * nor than what one pair of hands after the other can do: that is its bound.
 */
final readonly class HandsAndWaits
{
    private const EPS = 1e-9;

    /** rounds of exchanging; each gets better or is the last */
    private const ROUNDS = 20;

    /**
     * @param  list<ChangeTask>  $tasks  each after those that it names
     * @param  array<string, array{float, float}>  $fixed  tasks that are over or under way, with when they began and end, min
     * @param  float  $now  nothing else begins before, min
     */
    public function __construct(
        private array $tasks,
        private int $people,
        private array $fixed = [],
        private float $now = 0.0,
    ) {
    }

    /** @return list<ChangeTask> in the order in which they begin */
    public function schedule(): array
    {
        $tails = $this->tails();
        $priority = array_map(static fn (ChangeTask $t): string => $t->id, $this->tasks);
        usort($priority, static fn (string $a, string $b): int => $tails[$b] <=> $tails[$a]);
        $best = $this->place($priority);
        $shortest = self::end($best);
        for ($round = 0; $round < self::ROUNDS && $shortest > $this->bound() + self::EPS; $round++) {
            $before = $shortest;
            for ($i = 0; $i < count($priority) - 1; $i++) {
                for ($j = $i + 1; $j < count($priority); $j++) {
                    $other = $priority;
                    [$other[$i], $other[$j]] = [$other[$j], $other[$i]];
                    $tried = $this->place(array_values($other));
                    if (self::end($tried) < $shortest - self::EPS) {
                        [$priority, $best, $shortest] = [array_values($other), $tried, self::end($tried)];
                    }
                }
            }
            if ($shortest > $before - self::EPS) {
                break;
            }
        }
        $best = $this->justInTime($best);
        $late = $this->latest($best, $shortest);
        $out = array_map(
            static fn (ChangeTask $t): ChangeTask => $t->between(
                ...[...$best[$t->id], $late[$t->id] - $best[$t->id][0] < self::EPS],
            ),
            $this->tasks,
        );
        usort($out, static fn (ChangeTask $a, ChangeTask $b): int => $a->start_min <=> $b->start_min);

        return $out;
    }

    /** No order of these tasks is over sooner, min. */
    public function bound(): float
    {
        $left = array_filter($this->tasks, fn (ChangeTask $t): bool => ! isset($this->fixed[$t->id]));
        $work = array_sum(array_map(
            fn (ChangeTask $t): float => $t->hands ? $t->minutes * min($t->people, $this->people) : 0.0,
            $left,
        ));
        $front = array_sum(array_map(
            static fn (ChangeTask $t): float => $t->hands && $t->front ? $t->minutes : 0.0,
            $left,
        ));
        $tails = $this->tails();
        $longest = $left === [] ? 0.0 : max(array_map(static fn (ChangeTask $t): float => $tails[$t->id], $left));

        return $this->now + max($work / $this->people, $front, $longest);
    }

    /** @return array<string, float> minutes from the begin of a task to the end of the last that waits for it */
    private function tails(): array
    {
        $tails = [];
        foreach (array_reverse($this->tasks) as $task) {
            $then = 0.0;
            foreach ($this->tasks as $other) {
                if (in_array($task->id, $other->after, true)) {
                    $then = max($then, $tails[$other->id] ?? 0.0);
                }
            }
            $tails[$task->id] = $task->minutes + $then;
        }

        return $tails;
    }

    /**
     * @param  list<string>  $priority
     * @return array<string, array{float, float}> begin and end by task
     */
    private function place(array $priority): array
    {
        $byId = array_column(array_map(static fn (ChangeTask $t): array => [$t->id, $t], $this->tasks), 1, 0);
        $at = $this->fixed;
        /** @var list<array{float, float, int, bool}> $busy begin, end, persons, in front */
        $busy = [];
        foreach ($this->fixed as $id => [$from, $to]) {
            if ($byId[$id]->hands && $to > $this->now) {
                $busy[] = [$from, $to, min($byId[$id]->people, $this->people), $byId[$id]->front];
            }
        }
        $open = array_values(array_filter($priority, static fn (string $id): bool => ! isset($at[$id])));
        while ($open !== []) {
            foreach ($open as $i => $id) {
                $task = $byId[$id];
                if (array_diff($task->after, array_keys($at)) !== []) {
                    continue;
                }
                $start = max([$this->now, ...array_map(static fn (string $a): float => $at[$a][1], $task->after)]);
                if ($task->hands) {
                    $start = $this->free($busy, $start, $task);
                    $busy[] = [$start, $start + $task->minutes, min($task->people, $this->people), $task->front];
                }
                $at[$id] = [$start, $start + $task->minutes];
                array_splice($open, $i, 1);

                continue 2;
            }
            break;
        }

        return $at;
    }

    /**
     * The first moment from which enough hands are free for as long as a task takes.
     *
     * @param  list<array{float, float, int, bool}>  $busy
     */
    private function free(array $busy, float $from, ChangeTask $task): float
    {
        $moments = [$from, ...array_filter(array_column($busy, 1), static fn (float $end): bool => $end > $from)];
        sort($moments);
        foreach ($moments as $start) {
            $end = $start + $task->minutes;
            $meets = array_filter(
                $busy,
                static fn (array $b): bool => $b[0] < $end - self::EPS && $b[1] > $start + self::EPS,
            );
            $crowded = $task->front && array_filter(array_column($meets, 3)) !== [];
            $most = 0;
            foreach ([$start, ...array_column($meets, 0)] as $moment) {
                $then = array_filter(
                    $meets,
                    static fn (array $b): bool => $b[0] <= $moment + self::EPS && $b[1] > $moment + self::EPS,
                );
                $most = max($most, (int) array_sum(array_column($then, 2)));
            }
            if (! $crowded && $most + min($task->people, $this->people) <= $this->people) {
                return $start;
            }
        }

        return max([$from, ...array_column($busy, 1)]);
    }

    /**
     * What is better late moved to just before what waits for it, where no hands are wanted elsewhere then.
     *
     * @param  array<string, array{float, float}>  $at
     * @return array<string, array{float, float}>
     */
    private function justInTime(array $at): array
    {
        $order = $this->tasks;
        usort($order, static fn (ChangeTask $a, ChangeTask $b): int => $at[$b->id][1] <=> $at[$a->id][1]);
        foreach ($order as $task) {
            $next = array_filter($this->tasks, static fn (ChangeTask $t): bool => in_array($task->id, $t->after, true));
            if (! $task->late || $next === [] || isset($this->fixed[$task->id])) {
                continue;
            }
            $until = min(array_map(static fn (ChangeTask $t): float => $at[$t->id][0], $next));
            $start = $until - ($at[$task->id][1] - $at[$task->id][0]);
            if (! $task->hands || $this->free($this->busy($at, $task->id), $start, $task) === $start) {
                $at[$task->id] = [$start, $until];
            }
        }

        return $this->sooner($at);
    }

    /**
     * What hands do, moved into what became free before it.
     *
     * @param  array<string, array{float, float}>  $at
     * @return array<string, array{float, float}>
     */
    private function sooner(array $at): array
    {
        $order = $this->tasks;
        usort($order, static fn (ChangeTask $a, ChangeTask $b): int => $at[$a->id][0] <=> $at[$b->id][0]);
        foreach ($order as $task) {
            if ($task->late || ! $task->hands || isset($this->fixed[$task->id])) {
                continue;
            }
            $from = max([$this->now, ...array_map(static fn (string $a): float => $at[$a][1], $task->after)]);
            $start = $this->free($this->busy($at, $task->id), $from, $task);
            if ($start < $at[$task->id][0]) {
                $at[$task->id] = [$start, $start + $task->minutes];
            }
        }

        return $at;
    }

    /**
     * @param  array<string, array{float, float}>  $at
     * @return list<array{float, float, int, bool}> begin, end, persons and whether in front, of all hands but one task's
     */
    private function busy(array $at, string $but): array
    {
        $busy = [];
        foreach ($this->tasks as $other) {
            if ($other->hands && $other->id !== $but) {
                $busy[] = [...$at[$other->id], min($other->people, $this->people), $other->front];
            }
        }

        return $busy;
    }

    /**
     * The latest begin of each that holds up nothing of this schedule.
     *
     * @param  array<string, array{float, float}>  $at
     * @return array<string, float>
     */
    private function latest(array $at, float $end): array
    {
        $order = $this->tasks;
        usort($order, static fn (ChangeTask $a, ChangeTask $b): int => $at[$b->id][1] <=> $at[$a->id][1]);
        $late = [];
        foreach ($order as $task) {
            $until = $end;
            foreach ($this->tasks as $other) {
                // What waits for it, and what the same hands do next.
                $follows = in_array($task->id, $other->after, true)
                    || ($task->hands && $other->hands && $at[$other->id][0] >= $at[$task->id][1] - self::EPS);
                if ($follows && isset($late[$other->id])) {
                    $until = min($until, $late[$other->id]);
                }
            }
            $late[$task->id] = $until - ($at[$task->id][1] - $at[$task->id][0]);
        }

        return $late;
    }

    /** @param  array<string, array{float, float}>  $at */
    private static function end(array $at): float
    {
        return $at === [] ? 0.0 : max(array_column($at, 1));
    }
}
