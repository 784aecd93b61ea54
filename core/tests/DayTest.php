<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Schedule\Hand;
use Dithermic\Core\Schedule\RunJob;
use Dithermic\Core\Schedule\RunLength;
use Dithermic\Core\Schedule\Spread;
use Dithermic\Core\Stock\Demand;

/** @return list<array{string|null, int}> order and count */
function demands(int $held, ?int $at, ?int $to, array $orders): array
{
    return array_map(static fn (Demand $d): array => [$d->order, $d->count], Demand::of($held, $at, $to, $orders));
}

it('gives what stands there to who waits first, and makes the rest', function (): void {
    $orders = [
        ['id' => 'late', 'count' => 10, 'due' => 200.0],
        ['id' => 'early', 'count' => 4, 'due' => 100.0],
    ];
    expect(demands(20, 2, 12, $orders))->toBe([])
        // 20 − 14 = 6 are left, above the mark.
        ->and(demands(15, 2, 12, $orders))->toBe([[null, 11]])
        ->and(demands(6, 2, 12, $orders))->toBe([['late', 8], [null, 12]])
        ->and(demands(3, null, null, $orders))->toBe([['early', 1], ['late', 10]])
        ->and(demands(0, null, null, []))->toBe([])
        ->and(demands(-3, 2, 5, []))->toBe([[null, 5]]);
});

it('makes for orders and shelf exactly what is missing, whatever comes', function (): void {
    $dice = new Random\Randomizer(new Random\Engine\Mt19937(7));
    for ($n = 0; $n < 300; $n++) {
        $held = $dice->getInt(0, 40);
        $orders = [];
        for ($i = $dice->getInt(0, 5); $i > 0; $i--) {
            $orders[] = ['id' => "o{$i}", 'count' => $dice->getInt(1, 15), 'due' => (float) $dice->getInt(1, 9)];
        }
        $wanted = array_sum(array_column($orders, 'count'));
        $made = array_sum(array_map(
            static fn (array $d): int => $d[0] === null ? 0 : $d[1],
            demands($held, 3, 9, $orders),
        ));
        expect($made)->toBe(max(0, $wanted - $held));
        $all = Demand::of($held, 3, 9, $orders);
        $due = array_map(static fn (Demand $d): float => $d->due ?? INF, $all);
        $sorted = $due;
        sort($sorted);
        expect($due)->toBe($sorted);
    }
});

function wayOf(string $file): Procedure
{
    return new Procedure(Record::file(dirname(__DIR__)."/src/Process/{$file}.json")->of);
}

/** @return array<string, mixed> */
function jobOf(string $file, array $targets, int $pieces, array $stations, string $main): array
{
    return RunJob::of(wayOf($file), $targets, $pieces, $stations, $main, ['polymer' => 'HDPE'], ['id' => 'j'], 10.0);
}

const SERIES = ['heat_min' => 12.0, 'cool_min' => 9.0];

it('plans a sheet on both presses, with hands at the ends and nothing hot left waiting', function (): void {
    $job = jobOf('Compression/series', SERIES, 5, ['hot' => ['anvil'], 'cold' => ['pond', 'little']], 'anvil');
    [$hot, $cold] = $job['tasks'];
    // One minute to slide in and twelve of heat; over, pressure back, nine of cooling, three to open.
    expect($job['pieces'])->toBe(5)
        ->and($job['release'])->toBe(18.0)
        ->and($hot['stations'])->toBe([['station' => 'anvil', 'minutes' => 13.0]])
        ->and([$hot['hands_start_min'], $hot['hands_end_min'], $hot['people'], $hot['hot']])->toBe([1.0, 0.0, 2, true])
        ->and(array_column($cold['stations'], 'minutes', 'station'))->toBe(['pond' => 14.0, 'little' => 14.0])
        ->and(
            [$cold['hands_start_min'], $cold['hands_end_min'], $cold['people'], $cold['hot']],
        )->toBe([2.0, 3.0, 2, false])
        ->and($cold['after'])->toBe(['hot'])
        ->and($cold['no_wait'])->toBeTrue();
});

it('cuts a run that one machine holds into stretches that make up the whole', function (
    string $file,
    array $targets,
    int $pieces,
): void {
    $length = RunLength::of(wayOf($file), $targets)->whole($pieces);
    $job = jobOf(
        $file,
        $targets,
        $pieces,
        ['barrel' => ['heron'], 'mould' => ['wicket'], 'former' => ['bellows']],
        'heron',
    );
    [$run] = $job['tasks'];
    expect($job['tasks'])->toHaveCount(1)
        ->and($job['pieces'] * $run['stations'][0]['minutes'])->toEqualWithDelta($length, 0.1 + 0.01 * $job['pieces'])
        ->and($run['stations'][0]['minutes'])->toBeLessThanOrEqual(30.01)
        ->and($run['id'])->toBe(RunJob::WHOLE)
        ->and($run['hands_start_min'])->toBeGreaterThan(0.0)->toBeLessThanOrEqual($run['stations'][0]['minutes']);
})->with([
    ['Injection/procedure', ['soak_min' => 38.0, 'cool_min' => 0.3], 20],
    ['Extrusion/procedure', ['fill_min' => 12.9, 'chill_min' => 1.7, 'tank_min' => 3.7], 6],
    ['VacuumForming/procedure', ['heat_min' => 1.2, 'cool_min' => 0.6], 40],
    ['Compression/procedure', ['heat_min' => 12.0, 'cool_min' => 9.0], 1],
]);

it('is a job that schedule.plan plans, with people, so that two sheets overlap', function (): void {
    $registry = new Registry(new PolymerLibrary);
    $plan = $registry->run('schedule.plan', [
        'now' => 0, 'horizon_end' => 1000,
        'stations' => [['id' => 'anvil'], ['id' => 'pond']],
        'people' => [['id' => 'a'], ['id' => 'b']],
        'jobs' => [jobOf('Compression/series', SERIES, 4, ['hot' => ['anvil'], 'cold' => ['pond']], 'anvil')],
    ]);
    $first = $plan->tasks[0];
    $hot = array_values(array_filter($plan->tasks, static fn ($t): bool => $t->task === 'hot'));
    $cold = array_values(array_filter($plan->tasks, static fn ($t): bool => $t->task === 'cold'));
    expect($plan->impossible)->toBe([])
        ->and($first->start)->toBe(18.0)
        ->and(
            array_map(static fn ($t): float => $t->start, $cold),
        )->toBe(array_map(static fn ($t): float => $t->end, $hot))
        ->and($hot[1]->start)->toBeLessThan($cold[0]->end)
        // Four after one another on the slower press: 18 + 13 + 4 × 14.
        ->and($plan->makespan_min)->toBeGreaterThanOrEqual(87.0)->toBeLessThan(100.0);
});

it('knows how long runs really take from enough of them only', function (): void {
    expect(Spread::of([]))->toEqual(new Spread(0.9, 1.6, 0))
        ->and(Spread::of([1.0, 1.0, 1.0])->most)->toBe(1.6)
        // Quantiles of 1.0 … 2.0 in steps of a tenth: 1.1 and 1.9.
        ->and(Spread::of([2.0, 1.0, 1.1, 1.2, 1.3, 1.4, 1.5, 1.6, 1.7, 1.8, 1.9]))->toEqual(new Spread(1.1, 1.9, 11))
        ->and(Spread::of([1.2, 1.2, 1.2, 1.2]))->toEqual(new Spread(1.2, 1.2, 4))
        // What stood over night tells nothing, nor what was never planned or never ended.
        ->and(Spread::ofTimes([
            [12.0, 10.0], [24.0, 20.0], [36.0, 30.0], [6.0, 5.0], [400.0, 10.0], [5.0, 0.0], [0.0, 5.0],
        ]))
        ->toEqual(new Spread(1.2, 1.2, 4));
});

it('counts as waiting what lies between the first and the last hands of a day', function (): void {
    $hands = [
        ['person' => 'a', 'from' => 0.0, 'to' => 10.0],
        ['person' => 'a', 'from' => 30.0, 'to' => 40.0],
        ['person' => 'b', 'from' => 5.0, 'to' => 6.0],
        ['person' => 'a', 'from' => 1440.0, 'to' => 1450.0],
    ];
    expect(Hand::idle($hands, 480.0))->toBe(20.0)
        ->and(Hand::idle($hands, 35.0))->toBe(20.0)
        ->and(Hand::idle($hands, INF))->toBe(1420.0)
        ->and(Hand::idle([], 480.0))->toBe(0.0);
});

it('does nothing of a pinned job before it begins', function (): void {
    $plan = (new Registry(new PolymerLibrary))->run('schedule.plan', [
        'now' => 0, 'horizon_end' => 600, 'stations' => [['id' => 'a']],
        'jobs' => [
            [
                'id' => 'pinned',
                'pieces' => 4,
                'pinned_start' => 100,
                'tasks' => [['id' => 't', 'stations' => [['station' => 'a', 'minutes' => 20]]]],
            ],
            [
                'id' => 'free',
                'pieces' => 6,
                'due' => 300,
                'tasks' => [['id' => 't', 'stations' => [['station' => 'a', 'minutes' => 20]]]],
            ],
        ],
    ]);
    $starts = array_map(
        static fn ($t): float => $t->start,
        array_filter($plan->tasks, static fn ($t): bool => $t->job === 'pinned'),
    );
    expect(min($starts))->toBe(100.0)->and($starts)->toHaveCount(4)->and($plan->late)->toBe([]);
});

it('cuts a run of weeks into no more stretches than a plan takes', function (): void {
    $job = jobOf(
        'Injection/procedure',
        ['soak_min' => 38.0, 'cool_min' => 0.3],
        100_000,
        ['barrel' => ['heron']],
        'heron',
    );
    $whole = RunLength::of(wayOf('Injection/procedure'), ['soak_min' => 38.0, 'cool_min' => 0.3])->whole(100_000);
    expect($job['pieces'])->toBeLessThanOrEqual(500)
        ->and($job['pieces'] * $job['tasks'][0]['stations'][0]['minutes'])->toEqualWithDelta($whole, 2.0);
});
