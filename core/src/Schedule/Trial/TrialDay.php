<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Schedule\Changeovers;
use Dithermic\Core\Schedule\PlanInput;
use Dithermic\Core\Schedule\Planner;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A day of a shop with four processes, drawn by its seed: which jobs came in which order, for when, and what of it
 * comes otherwise. It is run by a list, and by the plan.
 */
final readonly class TrialDay
{
    private const MINUTES = 540;

    public PlanInput $in;

    private Mishaps $mishaps;

    public function __construct(private PolymerLibrary $polymers, int $seed)
    {
        $this->in = Reader::read(PlanInput::class, self::drawn($seed));
        $this->mishaps = new Mishaps($seed, $this->in);
    }

    public function run(Dispatch $by): Outcome
    {
        return (new Floor($this->in, new Changeovers($this->polymers, $this->in->matrix()), $this->mishaps))->run($by);
    }

    public function asPlanned(float $seconds): AsPlanned
    {
        return new AsPlanned(new Planner($this->polymers), $seconds);
    }

    /** @return array<string, mixed> */
    private static function drawn(int $seed): array
    {
        $dice = new Randomizer(new Mt19937($seed));
        $jobs = [];
        $count = $dice->getInt(9, 13);
        for ($n = 1; $n <= $count; $n++) {
            $jobs[] = self::job($dice, $n);
        }

        return [
            'now' => 0,
            'horizon_end' => self::MINUTES,
            'stations' => [
                ['id' => 'Anvil', 'kind' => 'press', 'amps' => 18, 'phase' => 1],
                ['id' => 'Pond', 'kind' => 'cold press'],
                ['id' => 'Little Pond', 'kind' => 'cold press'],
                ['id' => 'Heron', 'kind' => 'plunger', 'amps' => 9, 'phase' => 2],
                ['id' => 'Wren', 'kind' => 'screw', 'amps' => 12, 'phase' => 2],
                ['id' => 'Adder', 'kind' => 'extruder', 'amps' => 14, 'phase' => 3],
                ['id' => 'bath 1'], ['id' => 'bath 2'], ['id' => 'bath 3'],
                ['id' => 'Bellows', 'kind' => 'former', 'amps' => 16, 'phase' => 3],
                ['id' => 'Attic', 'kind' => 'dryer', 'amps' => 4, 'phase' => 1],
                ['id' => 'bench'], ['id' => 'other bench'],
            ],
            'people' => [
                ['id' => 'Maren', 'calendar' => [[0, 240], [280, self::MINUTES]]],
                ['id' => 'Teodor', 'calendar' => [[0, 280], [320, self::MINUTES]]],
                ['id' => 'Ines', 'calendar' => [[30, 200], [240, self::MINUTES]]],
            ],
            'supply' => ['phases' => 3, 'amps' => 25],
            'jobs' => $jobs,
            'seed' => $seed,
        ];
    }

    /** @return array<string, mixed> */
    private static function job(Randomizer $dice, int $n): array
    {
        $on = static fn (string ...$stations): array => array_map(
            static fn (string $s): array => ['station' => $s, 'minutes' => 0],
            $stations,
        );
        $task = static function (
            string $id,
            array $on,
            float $minutes,
            float $first,
            float $last,
            array $more = [],
        ): array {
            foreach ($on as $i => $option) {
                $on[$i]['minutes'] = $minutes;
            }

            return ['id' => $id, 'stations' => $on, 'hands_start_min' => $first, 'hands_end_min' => $last] + $more;
        };
        $set = [
            'polymer' => ['HDPE', 'PP', 'HIPS'][$dice->getInt(0, 2)],
            'lightness' => $dice->getInt(1, 9) * 10,
            'set_c' => $dice->getInt(20, 23) * 10,
        ];
        $hot = ['hot' => true];
        [$pieces, $tasks] = match ($dice->getInt(0, 4)) {
            0 => [$dice->getInt(2, 5), [
                $task('heat', $on('Anvil'), $dice->getInt(18, 28), 2, 1.5, ['people' => 2] + $hot),
                $task(
                    'cool',
                    $on('Pond', 'Little Pond'),
                    $dice->getInt(20, 35),
                    1,
                    4,
                    ['after' => ['heat'], 'no_wait' => true],
                ),
            ]],
            1 => [$dice->getInt(2, 4), [
                $task('shots', $on('Heron'), 24, 14, 3, ['setup' => $set] + $hot),
                $task('trim', $on('bench', 'other bench'), 6, 6, 0, ['after' => ['shots']]),
            ]],
            2 => [$dice->getInt(3, 6), [
                $task('fill', $on('Adder'), 10, 3, 1, ['setup' => $set] + $hot),
                $task('bath', $on('bath 1', 'bath 2', 'bath 3'), 28, 0.5, 4, ['after' => ['fill'], 'no_wait' => true]),
            ]],
            3 => [$dice->getInt(4, 8), [
                $task('form', $on('Bellows'), 9, 2.5, 2, $hot),
                $task('trim', $on('bench', 'other bench'), 7, 7, 0, ['after' => ['form']]),
            ]],
            default => [1, [
                $task('dry', $on('Attic'), $dice->getInt(90, 150), 4, 1),
                $task('run', $on('Wren'), $dice->getInt(50, 90), 18, 6, [
                    'after' => ['dry'], 'max_gap_min' => 60, 'setup' => ['polymer' => 'PA6', 'set_c' => 250],
                ] + $hot),
            ]],
        };

        return [
            'id' => "job {$n}",
            'pieces' => $pieces,
            'due' => $dice->getInt(0, 2) === 0 ? null : $dice->getInt(20, 54) * 10,
            'weight' => $dice->getInt(1, 3),
            'tasks' => $tasks,
        ];
    }
}
