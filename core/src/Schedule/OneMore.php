<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Closure;

/**
 * What one more of something would give: the same jobs planned once as they are, and once with a twin of a station or
 * another pair of hands. Both are schedule.plan's, from the same seed; what is asked is what that takes.
 */
final readonly class OneMore
{
    /** what is asked about beside stations */
    public const HANDS = 'hands';

    private const TWIN = 'one more';

    /** stations that days are asked about: the fullest */
    private const FULLEST = 4;

    /** a day this much sooner is told of, min */
    private const WORTH_MIN = 30.0;

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

    /**
     * What one more of the fullest stations, and one more pair of hands, would have given on days that were.
     *
     * @param  list<array<string, mixed>>  $days  of schedule.plan
     * @param  Closure(array<string, mixed>): ?PlanResult  $plan  null for a day that cannot be planned
     * @param  Closure(float): bool  $goesOn  while less than this share of the time that there is has gone by
     * @return array{int, list<OneMoreGives>} how many days were tried, and what each gives, the most first
     */
    public static function onDays(array $days, Closure $plan, Closure $goesOn): array
    {
        $known = [];
        $busy = [];
        foreach ($days as $asked) {
            // A third of the time for the days as they were, the rest for what is tried on them.
            $found = $goesOn(1 / 3) ? $plan($asked) : null;
            if ($found === null) {
                continue;
            }
            $known[] = [$asked, $found->makespan_min];
            foreach (self::busy($found->tasks) as $station => $minutes) {
                $busy[$station] = ($busy[$station] ?? 0.0) + $minutes;
            }
        }
        arsort($busy);
        $sooner = array_fill_keys([...array_slice(array_keys($busy), 0, self::FULLEST), self::HANDS], []);
        $made = 0.0;
        $tried = 0;
        foreach ($known as [$asked, $makespan]) {
            $made += $makespan;
            if (! $goesOn(1.0)) {
                continue;
            }
            $tried++;
            foreach (array_keys($sooner) as $of) {
                $more = $of === self::HANDS ? self::person($asked) : self::station($asked, (string) $of);
                $then = $more === $asked ? null : $plan($more);
                // A plan that is found in so short a time may be worse with more to choose from: that is no loss.
                $sooner[$of][] = max(0.0, $makespan - ($then->makespan_min ?? $makespan));
            }
        }
        $gives = [];
        foreach ($sooner as $of => $minutes) {
            $gives[] = new OneMoreGives(
                (string) $of,
                $of === self::HANDS ? null : 100 * $busy[$of] / max(1.0, $made),
                array_sum($minutes) / max(1, count($minutes)),
                count(array_filter($minutes, static fn (float $min): bool => $min >= self::WORTH_MIN)),
                max([0.0, ...$minutes]),
            );
        }
        usort($gives, static fn (OneMoreGives $a, OneMoreGives $b): int => $b->soonerMin <=> $a->soonerMin);

        return [$tried, $gives];
    }
}
