<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Place;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Step;

/**
 * A run as a job of schedule.plan. Where pieces go from one station to the next and wait there by themselves, each
 * piece is planned on each of them, with hands at the ends of its waits. Where one machine holds everything, the run is
 * cut into stretches of half an hour at most, longer only where it takes days, its set-up and closing among them, so
 * that people can change places.
 */
final readonly class RunJob
{
    /** the task of a run that one machine holds whole */
    public const WHOLE = 'run';

    /** of one stretch, at most about this, min */
    private const STRETCH_MIN = 30.0;

    /** what runs for days is cut into longer ones */
    private const MOST_STRETCHES = 100;

    /** where no piece waits longer than this nobody goes elsewhere meanwhile, min */
    private const WORTH_LEAVING_MIN = 4.0;

    /** with so much of the time in hands, somebody stands there throughout */
    private const THROUGHOUT = 0.5;

    /**
     * @param  array<string, mixed>  $targets  of the plan
     * @param  array<string, non-empty-list<string>>  $stations  any one of them, by place of the procedure
     * @param  string  $main  the machine that it is made on
     * @param  array<string, mixed>  $setup  polymer, set_c, mould
     * @param  array<string, mixed>  $job  id, product, due, weight, pinned_start and the like, as schedule.plan takes them
     * @param  float  $release  not before, min
     * @return array<string, mixed> as schedule.plan takes it
     */
    public static function of(
        Procedure $procedure,
        array $targets,
        int $pieces,
        array $stations,
        string $main,
        array $setup,
        array $job,
        float $release,
    ): array {
        $visits = self::visits($procedure, $targets, $stations);
        $waits = array_map(
            static fn (array $v): float => $v['stations'][0]['minutes'] - $v['hands_start_min'] - $v['hands_end_min'],
            $visits,
        );
        if (count($visits) > 1 && max([0.0, ...$waits]) >= self::WORTH_LEAVING_MIN) {
            $before = self::minutes($procedure, $procedure->steps(Phase::SetUp), $targets);

            return [
                'pieces' => $pieces,
                'release' => $release + $before,
                'tasks' => array_map(static fn (array $v): array => $v + ['setup' => $setup], $visits),
            ] + $job;
        }
        $length = RunLength::of($procedure, $targets);
        $whole = max(1.0, $procedure->hasPieces() ? $length->whole($pieces) : $pieces * $length->firstMin);
        $stretches = min(self::MOST_STRETCHES, max(1, (int) ceil($whole / self::STRETCH_MIN)));
        $minutes = round($whole / $stretches, 2);
        $hands = self::hands($procedure, $pieces, $targets) / $whole;

        return [
            'pieces' => $stretches,
            'release' => $release,
            'tasks' => [[
                'id' => self::WHOLE,
                'stations' => [['station' => $main, 'minutes' => $minutes]],
                'hands_start_min' => $hands > self::THROUGHOUT ? $minutes : round($minutes * min(1.0, $hands), 2),
                'people' => 1,
                'hot' => true,
                'setup' => $setup,
            ]],
        ] + $job;
    }

    /**
     * @param  array<string, mixed>  $targets
     * @param  array<string, non-empty-list<string>>  $stations
     * @return list<array{id: string, stations: non-empty-list<array{station: string, minutes: float}>,
     *     hands_start_min: float, hands_end_min: float, people: int, hot: bool, after?: list<string>, no_wait?: bool}>
     *     tasks of a piece, one for each station that it visits
     */
    private static function visits(Procedure $procedure, array $targets, array $stations): array
    {
        $steps = $procedure->hasPieces() ? $procedure->steps(Phase::Piece) : $procedure->steps();
        $groups = [];
        $of = [];
        foreach ($steps as $i => $step) {
            $of[] = $step;
            if ($step->place !== ($steps[$i + 1]->place ?? null)) {
                $groups[] = ['place' => $step->place, 'steps' => $of];
                $of = [];
            }
        }
        $waits = static fn (array $of): bool => array_filter(
            $of,
            static fn (Step $s): bool => $s->timer !== null,
        ) !== [];
        $visits = [];
        $before = null;
        foreach ($groups as ['place' => $place, 'steps' => $of]) {
            if (! isset($stations[$place]) || ! $waits($of)) {
                continue;
            }
            $visits[] = self::visit($procedure, $procedure->place($place), $of, $targets, $stations[$place], $before);
            $before = $place;
        }

        return $visits;
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, mixed>  $targets
     * @param  non-empty-list<string>  $stations
     * @return array{id: string, stations: non-empty-list<array{station: string, minutes: float}>, hands_start_min: float,
     *     hands_end_min: float, people: int, hot: bool, after?: list<string>, no_wait?: bool}
     */
    private static function visit(
        Procedure $procedure,
        ?Place $place,
        array $steps,
        array $targets,
        array $stations,
        ?string $before,
    ): array {
        $minutes = max(0.5, self::minutes($procedure, $steps, $targets));
        [$start, $end, $waited, $people] = [0.0, 0.0, false, 1];
        foreach ($steps as $step) {
            if ($step->timer !== null) {
                $waited = true;

                continue;
            }
            $usual = $procedure->minutes($step, $targets);
            $waited ? $end += $usual : $start += $usual;
            $people = max($people, min(2, $step->people));
        }

        return [
            'id' => $place->id ?? self::WHOLE,
            'stations' => array_map(
                static fn (string $s): array => ['station' => $s, 'minutes' => round($minutes, 2)],
                $stations,
            ),
            'hands_start_min' => $start,
            'hands_end_min' => $end,
            'people' => $people,
            'hot' => $place?->heat === 'in',
        ] + ($before === null ? [] : ['after' => [$before], 'no_wait' => true]);
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, mixed>  $targets
     */
    private static function minutes(Procedure $procedure, array $steps, array $targets): float
    {
        return array_sum(array_map(static fn (Step $step): float => $procedure->minutes($step, $targets), $steps));
    }

    /**
     * Minutes in which hands are wanted, of a whole run.
     *
     * @param  array<string, mixed>  $targets
     */
    private static function hands(Procedure $procedure, int $pieces, array $targets): float
    {
        $of = static fn (array $steps): float => array_sum(array_map(
            static fn (Step $s): float => match (true) {
                $s->people === 0 => 0.0,
                $s->timer === null => $procedure->minutes($s, $targets),
                default => $s->typicalMin,
            },
            $steps,
        ));
        if (! $procedure->hasPieces()) {
            return $pieces * $of($procedure->steps());
        }

        return $of($procedure->steps(Phase::SetUp)) + $pieces * $of($procedure->steps(Phase::Piece))
            + $of($procedure->steps(Phase::Closing));
    }
}
