<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Schedule\Job;

/**
 * A list on the wall: jobs in the order in which they came. The next is taken when the machine that it wants is free of
 * the one before, and what there is to do with its pieces is done as soon as it can be: by whoever took it, or by
 * whoever is free.
 */
final class FirstCome implements Dispatch
{
    /** @var array<string, string> who took a job */
    private array $owner = [];

    public function __construct(private readonly bool $eachTheirOwn)
    {
    }

    public function wanted(Floor $floor): iterable
    {
        $held = [];
        foreach ($floor->in->jobs as $job) {
            [$machine, $task] = self::machine($job);
            $free = ! isset($held[$machine]);
            foreach ($floor->units as $unit) {
                if ($unit->job !== $job || $unit->isOver()) {
                    continue;
                }
                $held[$machine] = $unit->at <= $task ? true : ($held[$machine] ?? null);
                foreach ($free || $unit->at > $task ? $unit->task()->stations ?? [] : [] as $on) {
                    yield [$unit, $on];
                }
            }
        }
    }

    public function team(Floor $floor, Underway $unit): ?array
    {
        if (! $this->eachTheirOwn) {
            return null;
        }
        $open = [];
        foreach ($floor->units as $other) {
            $took = $other->people[0] ?? null;
            if ($took !== null) {
                $this->owner[$other->job->id] ??= $took;
            }
            if (! $other->isOver()) {
                $open[$other->job->id] = true;
            }
        }
        $own = $this->owner[$unit->job->id] ?? null;
        if ($own !== null && $floor->isHere($own)) {
            return [$own];
        }
        $busy = array_intersect_key($this->owner, $open);

        return array_values(array_diff(array_column($floor->in->people, 'id'), $busy));
    }

    public function next(Floor $floor): float
    {
        return INF;
    }

    public function told(Floor $floor, string $what): void
    {
    }

    /** @return array{string, int} where it is made: the first station that is hot, and in which task */
    private static function machine(Job $job): array
    {
        foreach ($job->tasks as $i => $task) {
            if ($task->hot) {
                return [$task->stations[0]->station, $i];
            }
        }

        return [$job->tasks[0]->stations[0]->station, 0];
    }
}
