<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Schedule\BenchJob;

/** @param  array<string, mixed>  $over */
function finishing(array $over = []): object
{
    return (new Registry)->run('finish.work', $over + [
        'pieces' => 12,
        'operations' => [
            ['title' => 'trim', 'minutes' => 2.5],
            ['title' => 'lift onto the saw', 'minutes' => 1, 'people' => 2],
            ['title' => 'fit', 'minutes' => 2, 'uses' => [
                ['part' => 'brass screw', 'count' => 4], ['part' => 'felt pad', 'count' => 2],
            ]],
            ['title' => 'fit the lid', 'minutes' => 1, 'uses' => [['part' => 'brass screw', 'count' => 2]]],
        ],
        'parts' => [
            ['part' => 'brass screw', 'held' => 100, 'reorder_at' => 50, 'order_to' => 200],
            ['part' => 'felt pad', 'held' => 13],
        ],
    ]);
}

it('adds up minutes of the piece and of the hands, two people counting twice', function (): void {
    $work = finishing();
    expect($work->piece_min)->toBe(6.5)
        ->and($work->hands_min)->toBe(7.5)
        ->and($work->all_hands_min)->toBe(90.0)
        ->and($work->people)->toBe(2);
});

it('is held back by the part that gives out first', function (): void {
    $work = finishing();
    // 13 felt pads are six pieces; 100 screws would be sixteen.
    expect($work->can_finish)->toBe(6)
        ->and(array_map(
            static fn (object $p): array => [$p->part, $p->each, $p->wanted, $p->missing, $p->order],
            $work->parts,
        ))
        ->toBe([['brass screw', 6, 72, 0, 172], ['felt pad', 2, 24, 11, 0]])
        ->and($work->warnings)->toBe(['24 × felt pad are wanted, and 13 are there: 11 are missing.'])
        ->and($work->explanation)->toContain('6 can be finished with what is there');
});

it('lacks nothing where nothing is used, and nothing can be done with a part that is not there', function (): void {
    expect(finishing(['operations' => [['title' => 'sand', 'minutes' => 3]]])->can_finish)->toBe(12)
        ->and(finishing(['parts' => []])->can_finish)->toBe(0)
        ->and(finishing(['pieces' => 0])->all_hands_min)->toBe(0.0);
});

it('takes a name of digits for a name', function (): void {
    $work = finishing([
        'operations' => [['title' => 'fit', 'minutes' => 1, 'uses' => [['part' => '608', 'count' => 2]]]],
        'parts' => [['part' => '608', 'held' => 5]],
    ]);
    expect([$work->parts[0]->part, $work->can_finish])->toBe(['608', 2]);
});

it('orders only what is watched, and only at its mark', function (): void {
    $plenty = [
        ['part' => 'brass screw', 'held' => 1000, 'reorder_at' => 50, 'order_to' => 200],
        ['part' => 'felt pad', 'held' => 24],
    ];
    expect(array_column(finishing(['parts' => $plenty])->parts, 'order'))->toBe([0, 0]);
});

it('names the field that is wrong', function (array $over, string $field): void {
    try {
        finishing($over);
    } catch (InputError $error) {
        expect($error->field)->toBe($field);

        return;
    }
    $this->fail('was taken');
})->with([
    'no minutes' => [['operations' => [['title' => 'sand', 'minutes' => 0]]], 'operations.0.minutes'],
    'no operations' => [['operations' => []], 'operations'],
    'a part twice' => [['parts' => [['part' => 'a', 'held' => 1], ['part' => 'a', 'held' => 2]]], 'parts.1.part'],
    'less than none' => [['pieces' => -1], 'pieces'],
    'a mark without an end' => [['parts' => [['part' => 'brass screw', 'held' => 1, 'reorder_at' => 5]]], 'order_to'],
]);

it('is cut into bundles of about ten minutes that add up to all of it', function (
    float $each,
    int $pieces,
    int $bundles,
): void {
    $job = BenchJob::of($each, 1, $pieces, ['bench1', 'bench2'], ['id' => 'finish-1']);
    expect($job['pieces'])->toBe($bundles)
        ->and($job['pieces'] * $job['tasks'][0]['hands_start_min'])->toEqualWithDelta($each * $pieces, 0.01 * $bundles)
        ->and(array_column($job['tasks'][0]['stations'], 'station'))->toBe(['bench1', 'bench2']);
})->with([
    'short ones together' => [0.5, 60, 3],
    'one that is longer stays one' => [45.0, 1, 1],
    'no more bundles than pieces' => [25.0, 3, 3],
    'a single short one' => [0.2, 1, 1],
]);

it('goes into the wait of what heats, and never takes two hands of one', function (): void {
    $plan = (new Registry)->run('schedule.plan', [
        'now' => 0, 'horizon_end' => 600, 'time_limit_s' => 0.2, 'seed' => 1,
        'stations' => [['id' => 'press'], ['id' => 'bench1', 'kind' => 'bench']],
        'people' => [['id' => 'p1']],
        'jobs' => [
            ['id' => 'panel', 'product' => 'panel', 'tasks' => [[
                'id' => 'heat', 'stations' => [['station' => 'press', 'minutes' => 60]],
                'hands_start_min' => 5, 'hands_end_min' => 5, 'people' => 1, 'hot' => true,
            ]]],
            BenchJob::of(2.0, 1, 20, ['bench1'], ['id' => 'finish-1', 'product' => 'tray']),
        ],
    ]);
    // Forty minutes of finishing and two times five at the press go into the hour that the press takes.
    expect($plan->makespan_min)->toBeLessThanOrEqual(60.0 + 1e-6)
        ->and($plan->impossible)->toBe([]);
});
