<?php

declare(strict_types=1);

use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Schedule\Changeovers;
use Dithermic\Core\Schedule\Hand;
use Dithermic\Core\Schedule\Job;
use Dithermic\Core\Schedule\Person;
use Dithermic\Core\Schedule\PlanInput;
use Dithermic\Core\Schedule\Rings;
use Dithermic\Core\Schedule\Span;
use Dithermic\Core\Schedule\Station;
use Dithermic\Core\Schedule\StationOption;
use Dithermic\Core\Schedule\Supply;
use Dithermic\Core\Schedule\Task;
use Dithermic\Core\Schedule\Trial\FirstCome;
use Dithermic\Core\Schedule\Trial\Floor;
use Dithermic\Core\Schedule\Trial\Mishaps;
use Dithermic\Core\Schedule\Trial\Outcome;
use Dithermic\Core\Schedule\Trial\Tally;
use Dithermic\Core\Schedule\Trial\TrialDay;
use Dithermic\Core\Schedule\Trial\Underway;

it('runs twenty days that come otherwise with less idle hands and fewer clocks at once than a list', function (): void {
    $polymers = new PolymerLibrary;
    [$own, $list, $plan] = [new Tally, new Tally, new Tally];
    for ($seed = 1; $seed <= 20; $seed++) {
        $day = new TrialDay($polymers, $seed);
        $own->add($day->run(new FirstCome(eachTheirOwn: true)));
        $list->add($day->run(new FirstCome(eachTheirOwn: false)));
        $plan->add($day->run($day->asPlanned(0.03)));
    }
    expect($plan->idleMin)->toBeLessThan(0.75 * $own->idleMin)
        ->and($plan->ringsAtOnce)->toBeLessThan(0.6 * $own->ringsAtOnce)
        ->and($plan->ringsAtOnce)->toBeLessThan(0.5 * $list->ringsAtOnce)
        ->and($plan->lateMin)->toBeLessThan(0.5 * $list->lateMin)
        ->and($plan->calledMin)->toBeLessThan(0.5 * $list->calledMin)
        ->and($plan->notMade)->toBeLessThanOrEqual($list->notMade)
        ->and($plan->driedAgain)->toBe(0)
        ->and([...$own->wrong, ...$list->wrong, ...$plan->wrong])->toBe([]);
});

/** @param  list<Job>  $jobs */
function shopDay(array $jobs, int $people = 1, ?Supply $supply = null, array $hours = []): PlanInput
{
    $persons = array_map(static fn (int $n): Person => new Person("p{$n}", $hours), range(1, $people));

    return new PlanInput(0, 600, [
        new Station('press', amps: 10, phase: 1),
        new Station('former', amps: 10, phase: 1),
        new Station('rack'),
    ], $jobs, $persons, $supply);
}

/** A day in which nothing comes otherwise but the pace of hands. */
function quietDay(PlanInput $in): Outcome
{
    for ($seed = 1; ; $seed++) {
        $mishaps = new Mishaps($seed, $in);
        $good = array_filter($in->jobs, static fn (Job $j): bool => $mishaps->isNoGood(new Underway($j, 1)));
        if ($mishaps->faults === [] && $mishaps->leave === [] && $good === []) {
            return (new Floor($in, new Changeovers(new PolymerLibrary, null), $mishaps))->run(new FirstCome(false));
        }
    }
}

it('rings for who has hands, lets who is busy finish, and says how long it rang', function (): void {
    $press = new Task('heat', [new StationOption('press', 20)], 1, 2);
    $form = new Task('form', [new StationOption('former', 20)], 1, 2);
    $alone = quietDay(shopDay([new Job('a', [$press]), new Job('b', [$form])]));
    $two = quietDay(shopDay([new Job('a', [$press]), new Job('b', [$form])], 2));
    expect($alone->made)->toBe(2)->and($two->made)->toBe(2)
        // Both are begun at once by two, and ring at once.
        ->and($two->ringsAtOnce)->toBe(1)
        ->and($two->calledMin)->toEqualWithDelta(0.0, 1e-3)
        ->and($alone->rings)->toBe(2)
        ->and($alone->idleMin)->toBeGreaterThan(14.0)->toBeLessThan(20.0);
});

it('begins nothing over the supply, nothing hot that nobody would take out, and no second at a place that is taken', function (): void {
    $heat = static fn (string $on): Task => new Task('heat', [new StationOption($on, 30)], 1, 1, hot: true);
    $jobs = [new Job('a', [$heat('press')]), new Job('b', [$heat('former')])];
    $free = quietDay(shopDay($jobs, 2));
    $tight = quietDay(shopDay($jobs, 2, new Supply(1, 15)));
    expect($free->ringsAtOnce)->toBe(1)
        ->and($tight->ringsAtOnce)->toBe(0)
        ->and($tight->made)->toBe(2)
        ->and(quietDay(shopDay($jobs, 2, null, [[0, 29]]))->made)->toBe(0)
        ->and(quietDay(shopDay($jobs, 2, null, [[0, 29], [40, 75]]))->wrong)->toBe([]);
    $pieces = quietDay(shopDay([new Job('a', [$heat('press')], pieces: 3)], 2));
    expect($pieces->made)->toBe(3)->and($pieces->ringsAtOnce)->toBe(0);
});

it('dries again what has stood too long', function (): void {
    $jobs = [
        new Job('long', [new Task('run', [new StationOption('press', 200)], 1, 1)]),
        new Job('wet', [
            new Task('dry', [new StationOption('rack', 60)], 1),
            new Task('run', [new StationOption('former', 30)], 1, 1, after: ['dry'], max_gap_min: 20),
        ]),
        new Job('in its way', [new Task('run', [new StationOption('former', 100)], 1, 1)]),
    ];
    // Nobody may begin it in the break after it was dried.
    $day = quietDay(shopDay($jobs, 1, null, [[0, 50], [100, 600]]));
    expect($day->driedAgain)->toBe(1)->and($day->made)->toBe(3);
});

it('gives two ways to run a day the same mishaps', function (): void {
    $in = (new TrialDay(new PolymerLibrary, 5))->in;
    [$one, $two] = [new Mishaps(5, $in), new Mishaps(5, $in)];
    $unit = new Underway($in->jobs[0], 1);
    expect($one->faults)->toBe($two->faults)
        ->and($one->pace($unit, 'first'))->toBe($two->pace($unit, 'first'))
        ->and($one->pace($unit, 'first'))->not->toBe($one->pace($unit, 'last'));
    $paces = array_map(fn (int $n): float => $one->pace(new Underway($in->jobs[0], $n), 'first'), range(1, 2000));
    // Log-normal: its median is one, its mean above.
    sort($paces);
    expect($paces[1000])->toEqualWithDelta(1.0, 0.03)
        ->and(array_sum($paces) / 2000)->toBeGreaterThan($paces[1000]);
});

it('counts no break as waiting', function (): void {
    $hands = [['person' => 'a', 'from' => 0.0, 'to' => 10.0], ['person' => 'a', 'from' => 100.0, 'to' => 110.0]];
    expect(Hand::idle($hands, INF))->toBe(90.0)
        ->and(Hand::idle($hands, INF, ['a' => [new Span(0, 40), new Span(70, 200)]]))->toBe(60.0)
        ->and(Hand::idle($hands, INF, ['a' => [new Span(0, 40), new Span(70, 80), new Span(95, 200)]]))->toBe(45.0)
        ->and(Hand::idle($hands, INF, ['a' => [new Span(0, 200), new Span(300, 400)]]))->toBe(90.0);
});

it('counts clocks that ring within a minute of one another, in whatever order they come', function (): void {
    expect(Rings::atOnce([]))->toBe(0)
        ->and(Rings::atOnce([5.0, 4.5, 9.0]))->toBe(1)
        ->and(Rings::atOnce([1.0, 2.0, 3.0]))->toBe(0)
        ->and(Rings::atOnce([1.0, 1.9, 2.8, 2.8]))->toBe(3);
    $task = static fn (float $first, float $last): Task => new Task('t', [new StationOption('a', 10)], $first, $last);
    expect($task(1, 2)->rings(10.0))->toBe(8.0)
        ->and($task(0, 0)->rings(10.0))->toBe(10.0)
        // Hands throughout: nothing calls them.
        ->and($task(4, 6)->rings(10.0))->toBeNull()
        ->and($task(12, 0)->rings(10.0))->toBeNull();
});
