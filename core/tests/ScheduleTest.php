<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Numerics\Effort;
use Dithermic\Core\Numerics\TooMuchWork;
use Dithermic\Core\Schedule\Changeovers;
use Dithermic\Core\Schedule\JobShop\Instance;
use Dithermic\Core\Schedule\JobShop\Tabu;
use Dithermic\Core\Schedule\PlanInput;
use Dithermic\Core\Schedule\Planner;
use Dithermic\Core\Schedule\PlanResult;
use Dithermic\Core\Schedule\SetUp;
use Dithermic\Core\Schedule\Validator;

function jobShop(string $name): Instance
{
    return Instance::parse((string) file_get_contents(__DIR__."/jobshop/{$name}.txt"));
}

/** @param  array<string, mixed>  $in */
function planned(array $in): PlanResult
{
    $plan = (new Registry)->run('schedule.plan', $in + ['now' => 0, 'horizon_end' => 2000, 'time_limit_s' => 0.1]);
    assert($plan instanceof PlanResult);

    return $plan;
}

/** @return list<string> */
function faultsOf(array $in, PlanResult $plan): array
{
    $read = Reader::read(PlanInput::class, $in + ['now' => 0, 'horizon_end' => 2000, 'time_limit_s' => 0.1]);

    return Validator::faults($read, new Changeovers(new PolymerLibrary, $read->matrix()), $plan->tasks, $plan->hands);
}

/** @return array<string, mixed> a task */
function task(string $id, string $station, float $minutes, array $over = []): array
{
    return $over + ['id' => $id, 'stations' => [['station' => $station, 'minutes' => $minutes]]];
}

/** @return list<array{string, int, string, float}> */
function starts(PlanResult $plan): array
{
    return array_map(static fn ($t): array => [$t->job, $t->piece, $t->station, $t->start], $plan->tasks);
}

/** @return array<string, mixed> a day of a shop with everything in it that may stand in the way */
function someDay(int $seed): array
{
    $dice = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $pick = static fn (array $of): mixed => $of[$dice->getInt(0, count($of) - 1)];
    $jobs = [];
    for ($i = 0; $i < 14; $i++) {
        $set = [
            'polymer' => $pick(['HDPE', 'PP', 'HIPS']), 'lightness' => $dice->getInt(0, 100),
            'set_c' => $dice->getInt(18, 24) * 10,
        ];
        $tasks = match ($dice->getInt(0, 2)) {
            0 => [
                task('weigh', 'bench', 4, ['hands_start_min' => 4]),
                task('heat', 'Anvil', $dice->getInt(12, 20), [
                    'hands_start_min' => 1, 'hands_end_min' => 1, 'people' => 2, 'after' => ['weigh'], 'hot' => true,
                    'max_gap_min' => 30,
                ]),
                ['id' => 'cool', 'stations' => [
                    ['station' => 'Pond', 'minutes' => 12], ['station' => 'Little Pond', 'minutes' => 16],
                ],
                    'hands_start_min' => 1, 'hands_end_min' => 3, 'after' => ['heat'], 'no_wait' => true],
                task('check', 'bench', 6, ['hands_start_min' => 6, 'after' => ['cool']]),
            ],
            1 => [
                task('soak', 'Heron', 10, ['hands_start_min' => 2, 'hot' => true, 'setup' => $set]),
                task('shoot', 'Heron', $dice->getInt(20, 40), [
                    'hands_start_min' => 5, 'hands_end_min' => 5, 'hot' => true, 'after' => ['soak'], 'no_wait' => true,
                    'setup' => $set,
                ]),
            ],
            default => [
                task('form', 'Bellows', $dice->getInt(6, 12), ['hands_start_min' => 6, 'hot' => true]),
                task('trim', 'bench', 8, ['hands_start_min' => 8, 'after' => ['form']]),
            ],
        };
        $jobs[] = [
            'id' => "job {$i}", 'due' => $dice->getInt(100, 600), 'weight' => $dice->getInt(1, 3),
            'pieces' => $dice->getInt(1, 3),
            'release' => $dice->getInt(0, 100), 'tasks' => $tasks,
        ] + ($dice->getInt(0, 4) === 0 ? ['forbidden' => [[60, 120], [200, 230]]] : []);
    }

    return [
        'horizon_end' => 2880,
        'stations' => [
            ['id' => 'bench'], ['id' => 'Anvil', 'amps' => 20, 'phase' => 1],
            ['id' => 'Pond', 'calendar' => [[0, 500], [1440, 2000]]],
            ['id' => 'Little Pond'], ['id' => 'Heron', 'amps' => 10, 'phase' => 1], ['id' => 'Bellows', 'amps' => 16],
        ],
        'people' => [
            ['id' => 'Maren', 'calendar' => [[0, 240], [270, 540], [1440, 1980]]],
            [
                'id' => 'Jun', 'calendar' => [[0, 540], [1440, 1980]],
                'may' => ['bench', 'Anvil', 'Pond', 'Little Pond', 'Bellows'],
            ],
            ['id' => 'Ines', 'calendar' => [[60, 540], [1440, 1980]], 'learner' => true],
        ],
        'supply' => ['phases' => 3, 'amps' => 32],
        'jobs' => $jobs,
        'seed' => $seed,
    ];
}

it('makes plans that can be carried out as they stand', function (int $seed): void {
    $in = someDay($seed);
    $plan = planned($in);
    expect(faultsOf($in, $plan))->toBe([])
        ->and(count($plan->tasks))->toBeGreaterThan(20)
        ->and($plan->makespan_min)->toBeGreaterThanOrEqual($plan->bound_min)
        ->and($plan->supply_peak)->toBeLessThanOrEqual(32.0);
    foreach ($plan->impossible as $none) {
        expect($none->says)->not->toBe('');
    }
    foreach ($plan->late as $late) {
        expect($late->because)->not->toBe([]);
    }
})->with(range(1, 25));

it('finds what is wrong with a plan that cannot be carried out', function (Closure $spoil, string $says): void {
    $in = someDay(3);
    $plan = planned($in);
    [$tasks, $hands] = $spoil(json_decode((string) json_encode([$plan->tasks, $plan->hands]), true));
    $tasks = array_map(static fn (array $t) => Reader::read(Dithermic\Core\Schedule\PlacedTask::class, $t), $tasks);
    $hands = array_map(static fn (array $h) => Reader::read(Dithermic\Core\Schedule\Hand::class, $h), $hands);
    $read = Reader::read(PlanInput::class, $in + ['now' => 0]);
    $faults = Validator::faults($read, new Changeovers(new PolymerLibrary, null), $tasks, $hands);
    expect(implode('; ', $faults))->toContain($says);
})->with([
    'a task gone' => [static fn (array $p): array => [array_slice($p[0], 1), $p[1]], 'missing'],
    'hands gone' => [static fn (array $p): array => [$p[0], array_slice($p[1], 1)], 'wants'],
    'one a minute longer' => [static function (array $p): array {
        $p[0][5]['end'] += 1;

        return $p;
    }, 'takes'],
    'all at the same moment' => [static function (array $p): array {
        foreach ($p[0] as $i => $t) {
            $p[0][$i] = ['start' => 0, 'end' => $t['end'] - $t['start']] + $t;
        }

        return $p;
    }, 'is taken twice'],
    'at night' => [static function (array $p): array {
        $last = array_key_last($p[0]);
        [$p[0][$last]['start'], $p[0][$last]['end']] = [1200, 1200 + $p[0][$last]['end'] - $p[0][$last]['start']];

        return $p;
    }, 'wants'],
]);

it('makes the same plan of the same question, and another seed may make another', function (): void {
    $in = ['time_limit_s' => 0.5] + someDay(5);
    expect(starts(planned($in)))->toBe(starts(planned($in)));
});

it('overlaps pieces as the stations let it, hands only where they are wanted', function (): void {
    $plan = planned([
        'stations' => [['id' => 'hot'], ['id' => 'cold']],
        'people' => [['id' => 'Jun']],
        'jobs' => [['id' => 'sheet', 'pieces' => 3, 'tasks' => [
            task('heat', 'hot', 12, ['hands_start_min' => 1, 'hands_end_min' => 1]),
            task('cool', 'cold', 10, ['after' => ['heat'], 'no_wait' => true, 'hands_end_min' => 2]),
        ]]],
    ]);
    expect($plan->makespan_min)->toBe(3 * 12.0 + 10)
        ->and(array_column($plan->hands, 'from'))->toBe([0.0, 11.0, 12.0, 20.0, 23.0, 24.0, 32.0, 35.0, 44.0])
        ->and($plan->bound_min)->toBe(36.0);
});

it('begins what must not wait later rather than let it wait', function (): void {
    $in = [
        'stations' => [['id' => 'hot'], ['id' => 'cold', 'calendar' => [[100, 200]]]],
        'jobs' => [['id' => 'sheet', 'tasks' => [
            task('heat', 'hot', 12),
            task('cool', 'cold', 10, ['after' => ['heat'], 'no_wait' => true]),
            task('check', 'hot', 5, ['after' => ['cool'], 'max_gap_min' => 3]),
        ]]],
    ];
    expect(array_column(starts(planned($in)), 3))->toBe([88.0, 100.0, 110.0]);
});

it('moves a piece back where what must follow soon has no place', function (): void {
    $in = [
        'stations' => [['id' => 'oven'], ['id' => 'press', 'calendar' => [[60, 400]]]],
        'jobs' => [['id' => 'dry', 'tasks' => [
            task('dry', 'oven', 20),
            task('press', 'press', 10, ['after' => ['dry'], 'max_gap_min' => 5]),
        ]]],
    ];
    expect(array_column(starts(planned($in)), 3))->toBe([35.0, 60.0]);
});

it('wants two people where two are wanted, never a learner alone, and says who is lacking', function (): void {
    $in = [
        'stations' => [['id' => 'hot']],
        'people' => [
            ['id' => 'Jun', 'calendar' => [[0, 50], [90, 200]]],
            ['id' => 'Ines', 'learner' => true, 'calendar' => [[30, 200]]],
        ],
        'jobs' => [['id' => 'slide', 'tasks' => [task('slide', 'hot', 25, ['hands_start_min' => 25, 'people' => 2])]]],
    ];
    expect(starts(planned($in))[0][3])->toBe(90.0);
    $in['jobs'][0]['tasks'][0]['people'] = 1;
    expect(planned($in)->tasks[0]->people)->toBe(['Jun']);
    $in['people'] = [$in['people'][1]];
    expect(planned($in)->impossible[0]->says)->toContain('hands are full');
    $in['people'][0]['may'] = [];
    expect(planned($in)->impossible[0]->says)->toBe('nobody may work at hot, or not enough');
});

it('keeps the supply, the calendars, what is forbidden and what is pinned', function (): void {
    $heat = static fn (string $id, string $station): array => ['id' => $id, 'tasks' => [task('heat', $station, 30)]];
    $in = [
        'stations' => [['id' => 'a', 'amps' => 20], ['id' => 'b', 'amps' => 20]],
        'supply' => ['phases' => 1, 'amps' => 32],
        'jobs' => [$heat('one', 'a'), $heat('two', 'b')],
    ];
    expect(array_column(starts(planned($in)), 3))->toBe([0.0, 30.0]);
    $in['supply']['amps'] = 40;
    expect(array_column(starts(planned($in)), 3))->toBe([0.0, 0.0]);
    $in['supply']['amps'] = 10;
    expect(planned($in)->impossible)->toHaveCount(2);

    $one = ['stations' => [['id' => 'a', 'calendar' => [[10, 50]]]], 'jobs' => [$heat('one', 'a')]];
    expect(starts(planned($one))[0][3])->toBe(10.0);
    $one['jobs'][0]['forbidden'] = [[0, 20.5]];
    expect(planned($one)->impossible[0]->says)->toContain('nothing of one is done then');
    $one['jobs'][0] = ['pinned_start' => 15] + $heat('one', 'a');
    expect(starts(planned($one))[0][3])->toBe(15.0);
    $one['jobs'][0]['pinned_start'] = 5;
    expect(planned($one)->impossible[0]->says)->toContain('cannot begin at minute 5');
});

it('changes over by the matrix, by the route, and never where there is no way', function (): void {
    $job = static fn (string $id, string $polymer, array $set = []): array => [
        'id' => $id, 'tasks' => [task('run', 'barrel', 20, ['setup' => ['polymer' => $polymer] + $set])],
    ];
    $in = ['stations' => [['id' => 'barrel']], 'jobs' => [$job('a', 'HDPE'), $job('b', 'PP')]];
    $in['changeover'] = ['HDPE' => ['PP' => 50], 'PP' => ['HDPE' => 7]];
    // The cheaper way round.
    expect(array_map(static fn (array $s): array => [$s[0], $s[3]], starts(planned($in))))
        ->toBe([['b', 0.0], ['a', 27.0]]);
    $in['changeover'] = ['HDPE' => ['PP' => 5]];
    expect(planned($in)->impossible)->toBe([])
        ->and(array_column(starts(planned($in)), 3))->toBe([0.0, 25.0]);

    $route = new Changeovers(new PolymerLibrary, null);
    $set = static fn (
        string $polymer,
        float $lightness = 50,
        float $c = 200,
        string $mould = 'm',
    ): SetUp => new SetUp($polymer, $lightness, $c, $mould);
    expect($route->minutes($set('HDPE'), $set('HDPE')))->toBe(0.0)
        ->and($route->minutes(null, $set('PP')))->toBe(0.0)
        ->and($route->minutes($set('HDPE'), $set('PP')))->toBe(8.0)
        // light after dark is washed twice, and seen even in one polymer
        ->and($route->minutes($set('HDPE', 10), $set('PP', 90)))->toBe(16.0)
        ->and($route->minutes($set('PP', 10), $set('PP', 90)))->toBe(8.0)
        // the heat moves while the mould is changed
        ->and($route->minutes($set('PP', 50, 200), $set('PP', 50, 236, 'n')))->toBe(30.0)
        ->and($route->minutes($set('PP', 50, 240), $set('PP', 50, 210)))->toBe(10.0)
        ->and($route->minutes($set('POM'), $set('PVC-U')))->toBe(INF);
});

it('puts what is late and dear first, and says what holds the rest', function (): void {
    $in = ['stations' => [['id' => 'press']], 'time_limit_s' => 0.5, 'jobs' => [
        ['id' => 'cheap', 'due' => 60, 'weight' => 1, 'tasks' => [task('run', 'press', 60)]],
        ['id' => 'dear', 'due' => 60, 'weight' => 5, 'tasks' => [task('run', 'press', 60)]],
    ]];
    $plan = planned($in);
    expect($plan->tasks[0]->job)->toBe('dear')
        ->and($plan->late)->toHaveCount(1)
        ->and($plan->late[0]->minutes)->toBe(60.0)
        ->and($plan->late[0]->because[0])->toBe('cheap, run: press is taken by dear, run');
});

it('stays near the plan before where that costs little', function (): void {
    $job = static fn (string $id): array => ['id' => $id, 'tasks' => [task('run', 'press', 30)]];
    $in = ['stations' => [['id' => 'press']], 'time_limit_s' => 1, 'jobs' => [$job('a'), $job('b'), $job('c')]];
    $before = planned($in);
    $in['previous'] = json_decode((string) json_encode(array_map(
        static fn ($t): array => ['start' => $t->start, 'end' => $t->end] + (array) $t,
        $before->tasks,
    )), true);
    $same = planned($in);
    expect($same->moved)->toBe([])->and(starts($same))->toBe(starts($before));
    // Something comes in front of all: what moves is said.
    array_unshift($in['jobs'], ['pinned_start' => 0] + $job('urgent'));
    $moved = planned($in)->moved;
    expect(array_column($moved, 'from_min', 'job')['urgent'])->toBeNull()
        ->and(count($moved))->toBe(4);
});

it('refuses by field what it cannot plan', function (array $over, string $field): void {
    $in = ['stations' => [['id' => 'a']], 'jobs' => [['id' => 'j', 'tasks' => [task('t', 'a', 5)]]]];
    try {
        planned(array_replace_recursive($in, $over));
        $this->fail('was let in');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([
    [['horizon_end' => -5], 'horizon_end'],
    [['stations' => [['id' => 'a'], ['id' => 'a']]], 'stations.1.id'],
    [['stations' => [['id' => 'a', 'calendar' => [[5, 3]]]]], 'stations.0.calendar.0'],
    [['people' => [['id' => 'x', 'calendar' => [[0, 9], [8, 12]]]]], 'people.0.calendar.1'],
    [['jobs' => [['tasks' => [['after' => ['nothing']]]]]], 'jobs.0.tasks.0.after'],
    [['jobs' => [['tasks' => [['no_wait' => true]]]]], 'jobs.0.tasks.0.after'],
    [['jobs' => [['tasks' => [['stations' => [['station' => 'b']]]]]]], 'jobs.0.tasks.0.stations.0.station'],
    [['jobs' => [['tasks' => [['stations' => [['minutes' => 0]]]]]]], 'jobs.0.tasks.0.stations.0.minutes'],
    [
        ['jobs' => [[
            'pieces' => 500, 'tasks' => array_map(static fn (int $i): array => task("t{$i}", 'a', 5), range(0, 9)),
        ]]],
        'jobs',
    ],
    [['changeover' => 'somehow'], 'changeover'],
    [['changeover' => ['HDPE' => ['PP' => -1]]], 'changeover.HDPE.PP'],
    [['time_limit_s' => 60], 'time_limit_s'],
]);

it('gives up a first plan that is too much work, and keeps what it has where only the search is', function (): void {
    $read = Reader::read(PlanInput::class, ['now' => 0, 'time_limit_s' => 20] + someDay(7));
    $plan = new Planner(new PolymerLibrary);
    expect(static fn () => Effort::within(100, static fn (): PlanResult => $plan($read)))->toThrow(TooMuchWork::class);
    $some = Effort::within(20_000, static fn (): PlanResult => $plan($read));
    expect($some->tried)->toBeGreaterThan(0)
        ->and(Validator::faults(
            $read,
            new Changeovers(new PolymerLibrary, null),
            $some->tasks,
            $some->hands,
        ))->toBe([]);
});

it('finds the shortest plan of the classic shops', function (string $name, int $shortest): void {
    $shop = jobShop($name);
    $starts = (new Tabu($shop, 1))->search(20, 4000, $shortest);
    expect($shop->holds($starts))->toBeTrue()->and($shop->makespan($starts))->toBe($shortest);
})->with([['6x6', 55], ['10x5', 666]]);

it('comes near the shortest of the hard one, and the same seed goes the same way', function (): void {
    $shop = jobShop('10x10');
    $starts = (new Tabu($shop, 2))->search(60, 6000);
    expect($shop->holds($starts))->toBeTrue()
        ->and($shop->makespan($starts))->toBeLessThanOrEqual(976)
        ->and($shop->makespan($starts))->toBeGreaterThanOrEqual(930)
        ->and((new Tabu($shop, 2))->search(60, 6000))->toBe($starts);
});

it('never says that a plan holds which does not', function (): void {
    $shop = jobShop('6x6');
    $starts = (new Tabu($shop, 1))->search(5, 200);
    expect($shop->holds($starts))->toBeTrue();
    foreach (array_keys($starts) as $i) {
        // An operation that begins with the first of its job, or before the day, is in somebody's way.
        expect($shop->holds([$i => -1] + $starts))->toBeFalse();
        $i % 6 === 0 || expect($shop->holds([$i => $starts[$i - 1]] + $starts))->toBeFalse();
    }
    expect($shop->holds(array_slice($starts, 0, -1)))->toBeFalse();
});

it('reads the classic format and names the line that is wrong', function (string $text, string $field): void {
    try {
        Instance::parse($text);
        $this->fail('was let in');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([
    ['', 'line 1'],
    ["words only\n", 'line 1'],
    ["0 5\n", 'line 1'],
    ["999 999\n", 'line 1'],
    ["2 2\n0 1 1 2\n", 'file'],
    ["a head\n2 2\n0 1 1 2\n0 1 0 2\n", 'line 4'],
    ["2 2\n0 1 1 2\n0 1\n", 'line 3'],
    ["2 2\n0 1 2 2\n0 1 1 2\n", 'line 2'],
]);
