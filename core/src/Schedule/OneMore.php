<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/**
 * What one more of something would give: the same jobs planned once as they are, and once with a twin of a station or
 * another pair of hands. Both are schedule.plan's, from the same seed; what is asked is what that takes.
 */
final readonly class OneMore
{
    private const TWIN = 'one more';

    /**
     * A station like one that stands there: whatever that one takes, either takes.
     *
     * @param  array<string, mixed>  $asked  of schedule.plan
     * @return array<string, mixed>
     */
    public static function station(array $asked, string $station): array
    {
        /** @var array{
         *     stations: list<array<string, mixed>>,
         *     jobs: list<array{tasks: list<array{stations: list<array{station: string, minutes: float}>, ...}>, ...}>,
         *     ...,
         * } $asked as schedule.plan checks it */
        $own = array_column($asked['stations'], null, 'id')[$station] ?? null;
        if ($own === null) {
            return $asked;
        }
        foreach ($asked['jobs'] as $j => $job) {
            foreach ($job['tasks'] as $t => $task) {
                $minutes = array_column($task['stations'], 'minutes', 'station')[$station] ?? null;
                if ($minutes !== null) {
                    $asked['jobs'][$j]['tasks'][$t]['stations'][] = ['station' => self::TWIN, 'minutes' => $minutes];
                }
            }
        }
        $asked['stations'][] = ['id' => self::TWIN] + $own;

        return $asked;
    }

    /**
     * Somebody who is there as long as anything is done.
     *
     * @param  array<string, mixed>  $asked  of schedule.plan
     * @return array<string, mixed>
     */
    public static function person(array $asked): array
    {
        /** @var array{people?: list<array<string, mixed>>, ...} $asked */
        return ['people' => [...$asked['people'] ?? [], ['id' => self::TWIN]]] + $asked;
    }

    /**
     * The stations that are busy longest, and for how long, min.
     *
     * @param  list<PlacedTask>  $tasks
     * @return array<string, float> by station, the busiest first
     */
    public static function busy(array $tasks): array
    {
        $busy = [];
        foreach ($tasks as $task) {
            $busy[$task->station] = ($busy[$task->station] ?? 0.0) + $task->end - $task->start;
        }
        arsort($busy);

        return $busy;
    }
}
