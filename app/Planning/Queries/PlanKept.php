<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Models\DayPlanned;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Schedule\OneMore;
use Dithermic\Core\Schedule\PlanResult;
use Illuminate\Support\Facades\DB;

/**
 * The plan of what was asked: as it was made before where nothing is otherwise, else made anew, near the one before.
 * One screen makes it, the others wait for that.
 */
final readonly class PlanKept
{
    /** what a screen may wait for a plan, and for each thing that it would give, s */
    private const SECONDS = ['plan' => 0.4, 'what_if' => 0.15];

    private const MOST_MOVED = 6;

    /** plans of days that are over so long are of no use, s */
    private const FORGOTTEN_S = 3 * 86_400;

    /** what one more gives is worth telling from here, min */
    private const WORTH_MIN = 5.0;

    public function __construct(private Registry $calculations)
    {
    }

    /**
     * @param  array<string, mixed>  $asked  of schedule.plan
     * @param  array<string, string>  $names  of jobs, stations and people
     * @return array{array<string, mixed>, list<string>, float, list<string>} the result, what one more would give, when it was
     *     made, what moved against the one before, in words
     *
     * @throws InputError
     */
    public function of(float $day, array $asked, array $names): array
    {
        $hash = hash('sha256', json_encode($asked, JSON_THROW_ON_ERROR));
        $at = Seconds::moment($day);
        $kept = DayPlanned::query()->where('day', $at)->first();
        if ($kept?->hash !== $hash) {
            $kept = DB::transaction(function () use ($day, $at, $hash, $asked, $names): DayPlanned {
                DB::select('select pg_advisory_xact_lock(hashtextextended(?, 0))', ["day:{$day}"]);
                $before = DayPlanned::query()->where('day', $at)->first();

                return $before?->hash === $hash ? $before : $this->make($before, $at, $hash, $asked, $names);
            });
        }

        return [
            $kept->result,
            $kept->what_if,
            Seconds::of($kept->at),
            array_values($kept->result['moved_says'] ?? []),
        ];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @param  array<string, string>  $names
     */
    private function make(?DayPlanned $before, mixed $at, string $hash, array $asked, array $names): DayPlanned
    {
        $known = array_column($asked['jobs'], 'pieces', 'id');
        // What came to an end, or was begun, is no part of the plan any more.
        $previous = array_values(array_filter(
            $before->result['tasks'] ?? [],
            static fn (array $t): bool => isset($known[$t['job']]) && $t['piece'] <= $known[$t['job']]
                && $t['start'] >= $asked['now'],
        ));
        $result = $this->plan($asked + ['previous' => $previous, 'time_limit_s' => self::SECONDS['plan']]);
        $told = (array) json_decode(json_encode($result, JSON_THROW_ON_ERROR), true);

        DayPlanned::query()->where('day', '<', Seconds::moment(Seconds::now() - self::FORGOTTEN_S))->delete();

        return DayPlanned::query()->updateOrCreate(['day' => $at], [
            'hash' => $hash,
            'result' => $told + [
                'moved_says' => $before === null ? [] : self::moved($told, $names),
                'names' => array_intersect_key($names, $known),
            ],
            'what_if' => $this->whatIf($asked, $result, $names),
            'at' => Seconds::moment(Seconds::now()),
        ]);
    }

    /** @param  array<string, mixed>  $asked */
    private function plan(array $asked): PlanResult
    {
        $result = $this->calculations->run('schedule.plan', $asked);
        assert($result instanceof PlanResult);

        return $result;
    }

    /**
     * @param  array<string, mixed>  $told
     * @param  array<string, string>  $names
     * @return list<string>
     */
    private static function moved(array $told, array $names): array
    {
        $by = [];
        foreach ($told['moved'] ?? [] as $moved) {
            $shift = $moved['from_min'] === null ? null : $moved['to_min'] - $moved['from_min'];
            if ($shift !== null && abs($shift) >= 1) {
                $by[$moved['job']] = abs($shift) > abs($by[$moved['job']] ?? 0.0) ? $shift : $by[$moved['job']];
            } elseif ($shift === null) {
                $by[$moved['job']] ??= null;
            }
        }
        $says = [];
        foreach (array_slice($by, 0, self::MOST_MOVED, true) as $job => $shift) {
            $name = ucfirst($names[$job] ?? (string) $job);
            $says[] = $shift === null
                ? "{$name} is new"
                : sprintf('%s moved %s %s', $name, self::long(abs($shift)), $shift > 0 ? 'later' : 'sooner');
        }

        return $says;
    }

    /**
     * What one more of the fullest stations, or one more person, would give on this plan.
     *
     * @param  array<string, mixed>  $asked
     * @param  array<string, string>  $names
     * @return list<string>
     */
    private function whatIf(array $asked, PlanResult $result, array $names): array
    {
        $says = [];
        $busy = OneMore::busy($result->tasks);
        $late = array_sum(array_column($result->late, 'minutes'));
        $gain = function (array $other) use ($result, $late): ?string {
            $then = $this->plan(['time_limit_s' => self::SECONDS['what_if']] + $other);
            $sooner = $result->makespan_min - $then->makespan_min;
            $less = $late - array_sum(array_column($then->late, 'minutes'));

            return match (true) {
                $less >= self::WORTH_MIN => sprintf('%.0f min less late', $less),
                $sooner >= self::WORTH_MIN => sprintf('all of it %s sooner', self::long($sooner)),
                default => null,
            };
        };
        foreach (array_slice($busy, 0, 2, true) as $station => $minutes) {
            $gives = $gain(OneMore::station($asked, (string) $station));
            $share = 100 * $minutes / max(1.0, $result->makespan_min);
            $name = $names[$station] ?? $station;
            $says[] = sprintf(
                '%s is busy %.0f %% of it: one more such machine, %s',
                $name,
                min(100.0, $share),
                $gives ?? 'nothing sooner',
            );
        }
        $gives = $gain(OneMore::person($asked));

        return [...$says, 'One more pair of hands: '.($gives ?? 'nothing sooner')];
    }

    /** 95 min, 21 h 21 min */
    private static function long(float $minutes): string
    {
        $whole = (int) round($minutes);

        return $whole < 120 ? "{$whole} min" : sprintf('%d h %d min', intdiv($whole, 60), $whole % 60);
    }
}
