<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Change\Asks;
use Dithermic\Core\Process\Change\ChangeEntry;
use Dithermic\Core\Process\Change\ChangeFile;
use Dithermic\Core\Process\Change\ChangePlan;
use Dithermic\Core\Process\Change\ChangeTask;
use Dithermic\Core\Process\Change\HandsAndWaits;
use Dithermic\Core\Process\Change\Hose;

const CHANGED_WREN = [
    'name' => 'Wren', 'screw_diameter_mm' => 25, 'barrel_volume_cm3' => 90, 'throughput_cm3_min' => 60,
    'heater_w' => 3600, 'barrel_kg' => 28, 'circuits' => 4, 'least_mould_mm' => 120, 'most_mould_mm' => 300,
    'daylight_mm' => 520, 'opening_mm' => 220, 'ejector_stroke_mm' => 60,
];
const CLIP_MOULD = ['name' => 'clip mould', 'circuits' => 2, 'mass_kg' => 18];
const GEAR_MOULD = [
    'name' => 'gear mould', 'tool_height_mm' => 200, 'opens_mm' => 120, 'ejection_mm' => 30, 'circuits' => 6,
    'mass_kg' => 32,
    'heater_kw' => 1.2,
];

/** @param  array<string, mixed>  $over */
function changePlan(array $over = []): ChangePlan
{
    $plan = (new Registry)->run('plan.change', $over + [
        'machine' => CHANGED_WREN,
        'from' => ['polymer' => 'HDPE', 'lightness' => 0.1],
        'to' => ['polymer' => 'PA6', 'lightness' => 0.8],
        'mould_from' => CLIP_MOULD,
        'mould_to' => GEAR_MOULD,
        'mould_c' => 80,
        'dry_min' => 240,
    ]);
    assert($plan instanceof ChangePlan);

    return $plan;
}

/** @return array<string, ChangeTask> */
function tasksOf(ChangePlan $plan): array
{
    return array_column(array_map(static fn (ChangeTask $t): array => [$t->id, $t], $plan->tasks), 1, 0);
}

/**
 * What no order of work may break, found by looking at every moment anew.
 *
 * @param  list<ChangeTask>  $tasks
 * @return list<string>
 */
function brokenIn(array $tasks, int $people): array
{
    $at = array_column(array_map(static fn (ChangeTask $t): array => [$t->id, $t], $tasks), 1, 0);
    $broken = [];
    foreach ($tasks as $task) {
        foreach ($task->after as $before) {
            if ($at[$before]->end_min > $task->start_min + 0.02) {
                $broken[] = "{$task->id} begins before {$before} is over";
            }
        }
        $now = array_filter(
            $tasks,
            static fn (ChangeTask $t): bool => $t->hands
                && $t->start_min <= $task->start_min + 0.005
                && $t->end_min > $task->start_min + 0.02,
        );
        if (array_sum(array_map(static fn (ChangeTask $t): int => min($people, $t->people), $now)) > $people) {
            $broken[] = "more hands than there are as {$task->id} begins";
        }
        if (count(array_filter($now, static fn (ChangeTask $t): bool => $t->front)) > 1) {
            $broken[] = "two in front as {$task->id} begins";
        }
    }

    return $broken;
}

it('plans a change against its longest wait, and heats only when it is wanted', function (): void {
    $plan = changePlan();
    $task = tasksOf($plan);
    // 240 min of drying, 3 of hands before it; then the last purge, the last kelvins and the first parts.
    expect($plan->tasks[0]->id)->toBe('dryer')
        ->and($plan->total_min)->toBe($plan->bound_min)
        ->and($plan->total_min)->toBeLessThan($plan->serial_min - 90)
        ->and(brokenIn($plan->tasks, 1))->toBe([])
        ->and($task['mould_in']->end_min)->toBeLessThan(60)
        ->and($task['purge_1']->start_min)->toBeGreaterThanOrEqual($task['dry']->end_min)
        // The barrel is not hot for four hours with nobody there.
        ->and($task['heat_1']->start_min)->toBeGreaterThan(200)
        ->and($task['heat_1']->end_min)->toBe($task['purge_1']->start_min)
        ->and($task['first_parts']->critical)->toBeTrue()
        ->and($task['dry']->critical)->toBeTrue()
        ->and($task['hopper']->critical)->toBeFalse();
});

it('asks nobody to switch on a dryer that it is in already', function (): void {
    $task = tasksOf(changePlan(['dry_min' => 90, 'in_dryer' => true]));
    expect(changePlan(['dry_min' => 90, 'in_dryer' => true])->under_way)->toBe(['dry'])
        ->and(changePlan()->under_way)->toBe([])
        ->and($task)->not->toHaveKey('dryer')->and($task['dry']->minutes)->toBe(90.0)->and($task['dry']->start_min)->toBe(0.0);
});

it('washes out by colour, at a heat that both stand', function (): void {
    $mass = static fn (array $over): float => changePlan($over + ['dry_min' => 0])->purge_g;
    $lighter = $mass([
        'from' => ['polymer' => 'HDPE', 'lightness' => 0.2], 'to' => ['polymer' => 'HDPE', 'lightness' => 0.9],
    ]);
    $darker = $mass([
        'from' => ['polymer' => 'HDPE', 'lightness' => 0.9], 'to' => ['polymer' => 'HDPE', 'lightness' => 0.2],
    ]);
    $melt = (new PolymerLibrary)->get('HDPE')->property('density_melt_g_cm3');
    // Vb·((1 − m) + m·ln(100/left)): 0.2 % under light, 2 % under dark.
    expect($lighter)->toEqualWithDelta(90 * (0.4 + 0.6 * log(500)) * $melt, 0.06)
        ->and($darker)->toEqualWithDelta(90 * (0.4 + 0.6 * log(50)) * $melt, 0.06)
        ->and($mass([
            'from' => ['polymer' => 'HDPE', 'lightness' => 0.5], 'to' => ['polymer' => 'HDPE', 'lightness' => 0.5],
        ]))->toBe(0.0)
        ->and($mass(['from' => null]))->toBe(0.0)
        // Where nobody said how dark one of them is, it is washed out as if both were alike.
        ->and($mass(['from' => ['polymer' => 'HDPE', 'lightness' => 0.1], 'to' => ['polymer' => 'HDPE']]))->toBe(0.0)
        ->and($mass(['from' => ['polymer' => 'HDPE'], 'to' => ['polymer' => 'HDPE', 'lightness' => 0.9]]))->toBe(0.0);
});

it('goes over a third where two must not meet, and lets nobody pass that', function (): void {
    $plan = changePlan(['from' => ['polymer' => 'POM', 'lightness' => 0.5]]);
    $task = tasksOf($plan);
    expect($plan->stop)->toContain('must not meet')
        ->and(count($plan->route))->toBe(3)
        ->and($task['purge_1']->polymer)->toBe($plan->route[1])
        ->and($task['purge_2']->polymer)->toBe('PA6')
        ->and($task['purge_2']->start_min)->toBeGreaterThanOrEqual($task['purge_1']->end_min);
});

it('plans nothing hot where there is no way', function (string $from, string $to): void {
    $plan = changePlan(['from' => ['polymer' => $from], 'to' => ['polymer' => $to]]);
    expect($plan->tasks)->toBe([])->and($plan->total_min)->toBeNull()
        ->and($plan->stop)->toContain('take it out cold');
})->with([['PVC-U', 'HDPE'], ['HDPE', 'PVC-U']]);

it('heats steel by its mass and power', function (): void {
    $task = tasksOf(changePlan(['dry_min' => 0, 'from' => null]));
    $to = $task['zones']->set_c;
    expect($task['zones']->minutes)->toEqualWithDelta(28 * 0.49 * ($to - 20) / (0.7 * 3.6) / 60, 0.06)
        ->and($task['mould_warms']->minutes)->toEqualWithDelta(32 * 0.49 * 60 / (0.7 * 1.2) / 60, 0.06);
    // Down there is only the room.
    $down = tasksOf(changePlan(['dry_min' => 0, 'from' => null, 'barrel_c' => $to + 60]));
    expect($down['zones']->minutes)->toEqualWithDelta(20.0, 0.06);
    // What the machine does not say is taken slowly, and named.
    $plan = changePlan(['machine' => array_diff_key(CHANGED_WREN, ['heater_w' => 1]), 'dry_min' => 0, 'from' => null]);
    expect(tasksOf($plan)['zones']->minutes)->toEqualWithDelta(($to - 20) / 6, 0.06)
        ->and(implode(' ', $plan->unknown))->toContain('6 K a minute');
});

it('says where the clamp stands, and what it cannot reach', function (): void {
    $positions = static fn (array $mould): array => array_column(
        array_map(
            static fn ($p): array => [$p->name, [$p->mm, $p->reached]],
            changePlan(['mould_to' => $mould + GEAR_MOULD])->positions,
        ),
        1,
        0,
    );
    expect($positions([]))->toBe(['closed' => [200.0, true], 'open' => [320.0, true], 'ejector out' => [30.0, true]])
        ->and($positions(['tool_height_mm' => 110])['closed'])->toBe([110.0, false])
        ->and($positions(['opens_mm' => 230])['open'])->toBe([430.0, false])
        ->and($positions(['ejection_mm' => 61])['ejector out'])->toBe([61.0, false])
        ->and(changePlan(['mould_to' => array_diff_key(GEAR_MOULD, ['tool_height_mm' => 1])])->positions)->toBe([]);
});

it('feeds every circuit once, each on its own where the machine has enough', function (int $feeds, int $circuits): void {
    $hoses = Hose::between($feeds, $circuits);
    $ins = $outs = $rows = [];
    foreach ($hoses as $hose) {
        preg_match('/^(\d+) in$/', $hose->to, $in) && $ins[] = (int) $in[1];
        preg_match('/^(\d+) out$/', $hose->from, $out) && $outs[] = (int) $out[1];
        $rows[$hose->circuit] = ($rows[$hose->circuit] ?? 0) + 1;
    }
    sort($ins);
    sort($outs);
    $all = $circuits > 0 && $feeds > 0 ? range(1, $circuits) : [];
    expect($ins)->toBe($all)->and($outs)->toBe($all)
        ->and(count($rows))->toBe($all === [] ? 0 : min($feeds, $circuits))
        // As even as can be: no row longer than another by more than one.
        ->and($rows === [] ? 0 : max($rows) - min($rows))->toBeLessThanOrEqual(1);
})->with([[4, 6], [4, 4], [4, 2], [1, 5], [3, 8], [0, 3], [2, 0]]);

it('wants two for what one may not lift', function (): void {
    $plan = changePlan();
    expect(tasksOf($plan)['mould_in']->people)->toBe(2)
        ->and(implode(' ', $plan->warnings))->toContain('two persons')
        ->and(tasksOf(changePlan(['mould_to' => ['mass_kg' => 12] + GEAR_MOULD]))['mould_in']->people)->toBe(1)
        ->and(changePlan(['people' => 2])->warnings)->toBe([]);
});

it('keeps a mould that hangs, and asks then for settings and first parts alone', function (): void {
    $plan = changePlan([
        'mould_to' => CLIP_MOULD, 'from' => ['polymer' => 'PA6', 'lightness' => 0.8], 'dry_min' => 0, 'barrel_c' => 250,
        'to' => ['polymer' => 'PA6', 'lightness' => 0.8, 'melt_c' => 250],
    ]);
    expect(array_map(static fn (ChangeTask $t): string => $t->id, $plan->tasks))->toBe(['settings', 'first_parts'])
        ->and($plan->hoses)->toBe([])->and($plan->positions)->toBe([]);
});

it('breaks no order of any shop, is never under its bound and never over one after the other', function (): void {
    mt_srand(11);
    $polymers = ['HDPE', 'PP', 'PA6', 'PC', 'ABS', 'POM', 'PS'];
    for ($i = 0; $i < 60; $i++) {
        $people = mt_rand(1, 2);
        $plan = changePlan([
            'from' => ['polymer' => $polymers[mt_rand(0, 6)], 'lightness' => mt_rand(0, 10) / 10],
            'to' => ['polymer' => $polymers[mt_rand(0, 6)], 'lightness' => mt_rand(0, 10) / 10],
            'mould_from' => mt_rand(0, 1) === 1 ? CLIP_MOULD + ['heater_kw' => mt_rand(0, 1)] : null,
            'mould_to' => [
                'circuits' => mt_rand(0, 8), 'mass_kg' => mt_rand(5, 60), 'hot_runner_zones' => mt_rand(0, 3),
            ] + GEAR_MOULD,
            'dry_min' => mt_rand(0, 1) * mt_rand(0, 300),
            'barrel_c' => mt_rand(15, 260),
            'people' => $people,
        ]);
        if ($plan->total_min === null) {
            continue;
        }
        expect(brokenIn($plan->tasks, $people))->toBe([], "plan {$i}")
            ->and($plan->total_min)->toBeGreaterThanOrEqual($plan->bound_min - 0.02)
            ->and($plan->total_min)->toBeLessThanOrEqual($plan->serial_min + 0.02);
    }
});

it('finds the shortest order of small ones, as trying all of them does', function (): void {
    mt_srand(5);
    for ($round = 0; $round < 25; $round++) {
        $tasks = [];
        for ($i = 0; $i < 5; $i++) {
            $after = array_values(array_filter(array_keys($tasks), static fn (): bool => mt_rand(0, 2) === 0));
            $tasks[] = new ChangeTask(
                "t{$i}",
                '',
                '',
                '',
                mt_rand(0, 2) > 0,
                (float) mt_rand(1, 9),
                array_map(static fn (int $t): string => "t{$t}", $after),
            );
        }
        $found = max(array_map(
            static fn (ChangeTask $t): float => $t->end_min,
            (new HandsAndWaits($tasks, 1))->schedule(),
        ));
        $best = INF;
        $try = function (array $order, array $left) use (&$try, &$best, $tasks): void {
            if ($left !== []) {
                foreach ($left as $k => $t) {
                    $try([...$order, $t], array_values(array_diff_key($left, [$k => 1])));
                }

                return;
            }
            $at = [];
            $hands = 0.0;
            foreach ($order as $t) {
                $start = 0.0;
                foreach ($tasks[$t]->after as $before) {
                    if (! isset($at[$before])) {
                        return;
                    }
                    $start = max($start, $at[$before]);
                }
                $start = $tasks[$t]->hands ? max($start, $hands) : $start;
                $at["t{$t}"] = $start + $tasks[$t]->minutes;
                $hands = $tasks[$t]->hands ? $at["t{$t}"] : $hands;
            }
            $best = min($best, max($at));
        };
        $try([], range(0, 4));
        expect($found)->toEqualWithDelta($best, 1e-6, "round {$round}");
    }
});

/** @param  list<ChangeTask>|null  $tasks */
function changeFile(?ChangePlan $plan = null, int $people = 1): ChangeFile
{
    $plan ??= changePlan(['dry_min' => 0]);

    return new ChangeFile($plan->tasks, 1000.0, $people, $plan->stop !== null);
}

/** @param  array<string, mixed>  $said */
function says(ChangeFile $file, string $kind, array $said, float $min = 0.0, bool $lead = false): void
{
    $at = 1000.0 + 60 * $min;
    $file->mustTake(ChangeEntry::from($kind), $said, $at, $lead);
    $file->add(ChangeEntry::from($kind), $said, $at);
}

it('lets nothing count that was not looked at', function (string $kind, array $said, string $field, string $why): void {
    $file = changeFile();
    says($file, 'over', ['task' => 'hopper']);
    says($file, 'begun', ['task' => 'heat_1']);
    expect(static fn () => says($file, $kind, $said))->toThrow(function (InputError $error) use ($field, $why): void {
        expect($error->field)->toBe($field)->and($error->getMessage())->toContain($why);
    });
})->with([
    'none of this change' => ['over', ['task' => 'tea'], 'task', 'none of this change'],
    'before what it waits for' => ['over', ['task' => 'purge_1'], 'task', 'comes after'],
    'not there yet' => ['over', ['task' => 'heat_1', 'c' => 120], 'c', 'under'],
    'no reading' => ['over', ['task' => 'heat_1'], 'c', 'is missing'],
    'a reading that is none' => ['over', ['task' => 'heat_1', 'c' => '230'], 'c', 'is missing'],
    'twice' => ['over', ['task' => 'hopper'], 'task', 'is through'],
    'begun twice' => ['begun', ['task' => 'heat_1'], 'task', 'goes on already'],
    'hands are not begun' => ['begun', ['task' => 'water_off'], 'task', 'done by hands'],
    'left out without a word' => ['passed', ['task' => 'water_off', 'why' => ' '], 'why', 'is missing'],
    'a heat left out by an operator' => ['passed', ['task' => 'heat_1', 'why' => 'late'], 'task', 'by a lead only'],
    'given up without a word' => ['given_up', [], 'why', 'is missing'],
    'a port that it has not' => ['tapped', ['task' => 'water_off', 'tap' => '1 in'], 'tap', 'is none of'],
    'no purging there' => ['looked', ['task' => 'water_off', 'look' => 'clean'], 'task', 'no purgings'],
]);

it('purges until it comes clean, and weighs what came', function (): void {
    $file = changeFile();
    says($file, 'over', ['task' => 'hopper']);
    says($file, 'begun', ['task' => 'heat_1']);
    says($file, 'over', ['task' => 'heat_1', 'c' => tasksOf(changePlan(['dry_min' => 0]))['heat_1']->set_c - 4]);
    expect(static fn () => says($file, 'over', ['task' => 'purge_1']))->toThrow(
        InputError::class,
        'look at what comes out first',
    );
    says($file, 'looked', ['task' => 'purge_1', 'look' => 'streaks', 'mass_g' => 150]);
    expect(static fn () => says($file, 'over', ['task' => 'purge_1']))->toThrow(
        InputError::class,
        'streaks of it: purge on',
    );
    says($file, 'looked', ['task' => 'purge_1', 'look' => 'clean', 'mass_g' => 120.5]);
    says($file, 'over', ['task' => 'purge_1']);
    expect($file->states['purge_1']->purged())->toBe(270.5)->and($file->isReady('zones'))->toBeTrue();
});

it('lets nobody leave out the purge between two that must not meet', function (): void {
    $file = changeFile(changePlan(['dry_min' => 0, 'from' => ['polymer' => 'POM', 'lightness' => 0.5]]));
    says($file, 'over', ['task' => 'hopper']);
    says($file, 'begun', ['task' => 'heat_1']);
    says($file, 'passed', ['task' => 'heat_1', 'why' => 'the probe is broken, touched'], lead: true);
    expect(static fn () => says($file, 'passed', ['task' => 'purge_1', 'why' => 'no time'], lead: true))
        ->toThrow(InputError::class, 'by nobody');
});

it('says in few words what a task still lacks', function (): void {
    $file = changeFile();
    expect($file->lacks('mould_in'))->toBe('3 to tap')
        ->and($file->lacks('water_off'))->toBeNull()
        ->and($file->lacks('purge_1'))->toBe('look at what comes out');
    $file->add(ChangeEntry::Tapped, ['task' => 'mould_in', 'tap' => 'open 320 mm'], 1000.0);
    foreach ([['streaks', 'purge on until it comes clean'], ['clean', null], ['bubbles', 'purge on until it comes clean']] as [$look, $lacks]) {
        $file->add(ChangeEntry::Looked, ['task' => 'purge_1', 'look' => $look], 1000.0);
        expect($file->lacks('purge_1'))->toBe($lacks, $look);
    }
    expect($file->lacks('mould_in'))->toBe('2 to tap');
});

it('has in the barrel what went through it, not what was left out or taken back', function (): void {
    $begun = function (): ChangeFile {
        $file = changeFile();
        says($file, 'over', ['task' => 'hopper']);
        says($file, 'begun', ['task' => 'heat_1']);
        says($file, 'passed', ['task' => 'heat_1', 'why' => 'touched'], lead: true);

        return $file;
    };
    $file = $begun();
    expect($file->inBarrel())->toBeNull();
    says($file, 'looked', ['task' => 'purge_1', 'look' => 'streaks']);
    expect($file->inBarrel())->toBe('PA6');
    says($file, 'undone', ['task' => 'purge_1']);
    expect($file->inBarrel())->toBeNull();
    $left = $begun();
    says($left, 'passed', ['task' => 'purge_1', 'why' => 'it is clean'], lead: true);
    says($left, 'passed', ['task' => 'water_off', 'why' => 'no water']);
    expect($left->inBarrel())->toBeNull()
        ->and($left->isDone('hopper'))->toBeTrue()
        ->and($left->isDone('purge_1'))->toBeFalse()
        ->and($left->isDone('water_off'))->toBeFalse()
        ->and($left->isDone('tea'))->toBeFalse();
});

it('wants every port tapped, and proof of the water', function (): void {
    $file = changeFile();
    says($file, 'over', ['task' => 'water_off']);
    says($file, 'over', ['task' => 'hoses_off']);
    says($file, 'over', ['task' => 'mould_out']);
    foreach (['closed 200 mm', 'open 320 mm', 'ejector out 30 mm'] as $tap) {
        says($file, 'tapped', ['task' => 'mould_in', 'tap' => $tap]);
    }
    says($file, 'over', ['task' => 'mould_in']);
    $hoses = array_map(static fn (Hose $h): string => $h->says, changePlan()->hoses);
    foreach (array_slice($hoses, 1) as $hose) {
        says($file, 'tapped', ['task' => 'hoses_on', 'tap' => $hose]);
    }
    expect(static fn () => says($file, 'over', ['task' => 'hoses_on']))->toThrow(InputError::class, $hoses[0]);
    says($file, 'tapped', ['task' => 'hoses_on', 'tap' => $hoses[0]]);
    says($file, 'over', ['task' => 'hoses_on']);
    expect(static fn () => says($file, 'over', ['task' => 'water_on', 'in_c' => 18]))->toThrow(InputError::class);
    says($file, 'over', ['task' => 'water_on', 'in_c' => 18, 'out_c' => 21]);
    expect($file->states['water_on']->said)->toBe(['in_c' => 18, 'out_c' => 21]);
});

it('takes back the newest, unless something stands on it', function (): void {
    $file = changeFile();
    says($file, 'over', ['task' => 'water_off']);
    says($file, 'undone', ['task' => 'water_off']);
    expect($file->states['water_off']->isThrough())->toBeFalse()
        ->and(static fn () => says($file, 'undone', ['task' => 'water_off']))->toThrow(
            InputError::class,
            'nothing to take back',
        );
    says($file, 'over', ['task' => 'water_off']);
    says($file, 'over', ['task' => 'hoses_off']);
    expect(static fn () => says($file, 'undone', ['task' => 'water_off']))->toThrow(
        InputError::class,
        'Take that back first',
    );
});

it('moves what waits when something is late, and keeps what is behind', function (): void {
    $file = changeFile();
    $planned = max(array_map(static fn (ChangeTask $t): float => $t->end_min, $file->foretold(1000.0)));
    // Nothing was done for an hour.
    $late = $file->foretold(1000.0 + 3600);
    expect(max(array_map(static fn (ChangeTask $t): float => $t->end_min, $late)))->toEqualWithDelta($planned + 60, 0.1)
        ->and(brokenIn($late, 1))->toBe([]);
    says($file, 'over', ['task' => 'water_off'], 61);
    says($file, 'begun', ['task' => 'heat_1'], 62);
    $then = array_column(
        array_map(static fn (ChangeTask $t): array => [$t->id, $t], $file->foretold(1000.0 + 63 * 60)),
        1,
        0,
    );
    expect($then['water_off']->end_min)->toEqualWithDelta(61.0, 1e-6)
        ->and($then['heat_1']->start_min)->toEqualWithDelta(62.0, 1e-6)
        ->and($then['hoses_off']->start_min)->toBeGreaterThanOrEqual(63.0);
});

it('is over with the last of it, or given up, and takes nothing then', function (): void {
    $plan = changePlan([
        'mould_to' => null, 'mould_from' => null, 'from' => null, 'dry_min' => 0, 'barrel_c' => 250,
        'to' => ['polymer' => 'PA6', 'melt_c' => 250],
    ]);
    $file = changeFile($plan);
    says($file, 'over', ['task' => 'settings'], 5);
    expect(static fn () => says(
        $file,
        'over',
        ['task' => 'first_parts', 'good' => 0, 'bad' => 3],
    ))->toThrow(InputError::class, 'first good part');
    says($file, 'over', ['task' => 'first_parts', 'good' => 2, 'bad' => 1], 12);
    expect($file->isThrough())->toBeTrue()->and($file->endedAt)->toBe(1720.0)
        ->and(static fn () => says(
            $file,
            'undone',
            ['task' => 'settings'],
        ))->toThrow(InputError::class, 'comes too late');
    $other = changeFile($plan);
    says($other, 'given_up', ['why' => 'the mould is cracked'], 3);
    expect($other->givenUp)->toBe('the mould is cracked')
        ->and(static fn () => says(
            $other,
            'over',
            ['task' => 'settings'],
        ))->toThrow(InputError::class, 'comes too late');
});

it('ends no wait before its time', function (): void {
    $file = changeFile(changePlan());
    says($file, 'over', ['task' => 'dryer']);
    says($file, 'begun', ['task' => 'dry'], 3);
    expect(static fn () => says($file, 'over', ['task' => 'dry'], 100))->toThrow(InputError::class, '143 min more');
    says($file, 'over', ['task' => 'dry'], 243);
    expect($file->states['dry']->isThrough())->toBeTrue();
});

it('names what it cannot take', function (array $over, string $field): void {
    expect(static fn () => changePlan($over))->toThrow(function (InputError $error) use ($field): void {
        expect($error->field)->toBe($field);
    });
})->with([
    'a polymer that is none' => [['to' => ['polymer' => 'NONE']], 'to.polymer'],
    'an old one that is none' => [['from' => ['polymer' => 'NONE']], 'from.polymer'],
    'a screw whose barrel nobody knows' => [
        ['machine' => array_diff_key(CHANGED_WREN, ['barrel_volume_cm3' => 1])], 'machine.barrel_volume_cm3',
    ],
    'three people' => [['people' => 3], 'people'],
    'nothing to put between that is known' => [['available' => ['XX']], 'available.0'],
]);

/**
 * A change that goes on as somebody in a hurry goes, with one task left out and two purgings that are not clean.
 *
 * @return array<string, mixed> `tasks`, how they stood when it `began`, and `steps` with what `turned` by each
 */
function walkOfChange(): array
{
    $plan = changePlan();
    $file = changeFile($plan);
    $stand = static fn (): array => array_map(
        static fn (ChangeTask $t): array => [$file->stands($t->id), $file->lacks($t->id)],
        tasksOf($plan),
    );
    $walk = [
        'tasks' => json_decode((string) json_encode($plan->tasks), true),
        'began' => $stand(),
        'steps' => [],
    ];
    $minute = 0.0;
    $say = function (string $kind, array $said) use ($file, $stand, &$walk, &$minute): void {
        $before = $stand();
        says($file, $kind, $said, $minute, lead: true);
        $turned = array_filter(
            $stand(),
            static fn (array $now, string $id): bool => $now !== $before[$id],
            ARRAY_FILTER_USE_BOTH,
        );
        $walk['steps'][] = ['kind' => $kind, 'said' => $said, 'at' => 60 * $minute, 'turned' => $turned];
    };
    while (! $file->isThrough()) {
        $ready = array_filter($plan->tasks, static fn (ChangeTask $t): bool => $file->isReady($t->id));
        $task = reset($ready);
        assert($task !== false);
        $about = ['task' => $task->id];
        if ($task->id === 'settings') {
            $say('passed', $about + ['why' => 'the same as last week']);

            continue;
        }
        if (! $task->hands) {
            $say('begun', $about);
        }
        $minute += $task->minutes;
        foreach ($task->taps as $tap) {
            $say('tapped', $about + ['tap' => $tap]);
        }
        foreach ($task->asks === Asks::Purging ? ['streaks', 'clean'] : [] as $look) {
            $say('looked', $about + ['look' => $look, 'mass_g' => 120.0]);
        }
        $say('over', $about + match ($task->asks) {
            Asks::Temperature => ['c' => $task->set_c],
            Asks::Water => ['in_c' => 12, 'out_c' => 14],
            Asks::FirstParts => ['good' => 2, 'bad' => 1],
            default => [],
        });
    }

    return $walk;
}

it('stands as the screens say that it stands while no server hears them', function (): void {
    // The screens are held to the same file (resources/js/offline/change.test.ts).
    $written = json_decode((string) file_get_contents(__DIR__.'/conformance/change.json'), true);
    expect(json_decode((string) json_encode(walkOfChange()), true))->toBe($written)
        ->and(count($written['steps']))->toBeGreaterThan(20);
});
