<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Alike;
use Dithermic\Core\Process\Injection\Barrel;
use Dithermic\Core\Process\Inside;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Entry;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

const BARREL = ['barrel_g' => 200.0, 'shot_mass_g' => 40.0, 'melt_c' => 219.0];

/** @param  list<array{string, float, float}>  $log  load, purge or shot; g; at s */
function barrelLog(array $log): RunState
{
    $state = new RunState;
    foreach ($log as $i => [$kind, $mass, $at]) {
        if ($kind === 'shot') {
            $piece = new Thread(count($state->pieces) + 1);
            $piece->done['shoot'] = ['at' => $at, 'by' => 'Ines', 'reason' => null, 'began' => $at];
            $state->pieces[count($state->pieces) + 1] = $piece;

            continue;
        }
        $state->entries["k{$i}"] = [
            'key' => "k{$i}", 'entry' => $kind, 'at' => $at, 'by' => 'Ines', 'values' => ['mass_g' => $mass],
            'step' => null, 'corrected' => 0, 'piece' => null,
        ];
    }

    return $state;
}

/** @param  list<array{string, float, float}>  $log */
function barrelAfter(array $log, float $now, string $polymer = 'HDPE', bool $closing = false): ?Inside
{
    $state = barrelLog($log);
    $state->closing = $closing;
    $library = new PolymerLibrary;

    return (new Barrel(new Registry($library)))->of($state, BARREL, $library->get($polymer), $now);
}

/**
 * @param  list<array{string, float, float}>  $log
 * @param  list<array{float, int}>  $lots  from when, which
 * @return array<int, array<int, float>>|null
 */
function shotsOf(array $log, array $lots): ?array
{
    $state = barrelLog($log);
    foreach ($lots as [$from, $lot]) {
        $state->lots[] = ['from' => $from, 'lot' => $lot, 'code' => "L-{$lot}"];
    }

    return Barrel::madeOf($state, BARREL);
}

it('counts what went in and came out, in the order in which it happened', function (): void {
    // Logged late: the shot stands after the load that came after it.
    $inside = barrelAfter(
        [['load', 160.0, 0.0], ['load', 40.0, 700.0], ['purge', 15.0, 500.0], ['shot', 0.0, 600.0]],
        800.0,
    );
    expect($inside?->mass_g)->toBe(145.0)
        ->and($inside->pieces)->toBe(3)
        ->and($inside->says)->toBe('145 g of 200 g: 3 more shots.')
        ->and($inside->oldest_s)->toBe(800.0)
        ->and(array_sum(array_column($inside->layers, 'mass_g')))->toEqualWithDelta(145.0, 0.05);
});

it('cuts what does not fit to what does, and says so', function (): void {
    $inside = barrelAfter([['load', 150.0, 0.0], ['load', 90.0, 60.0]], 120.0);
    expect($inside?->mass_g)->toBe(200.0)->and($inside->says)->toContain('40 g more than goes in');
    // More shots than there was: it is empty, and no error.
    $empty = barrelAfter([['load', 50.0, 0.0], ['shot', 0.0, 60.0], ['shot', 0.0, 90.0]], 120.0);
    expect($empty?->mass_g)->toBe(0.0)->and($empty->says)->toBe('The barrel is empty.');
});

it('says when to load, to shoot on and to empty', function (): void {
    expect(barrelAfter([['load', 30.0, 0.0]], 60.0)?->do)->toBe('Load before the next shot: 10 g are missing.')
        ->and(barrelAfter([['load', 90.0, 0.0]], 60.0)?->do)->toBeNull()
        ->and(barrelAfter([['load', 50.0, 0.0]], 60.0, closing: true)?->do)->toBe('One more shot, or empty it.')
        ->and(barrelAfter([['load', 12.0, 0.0]], 60.0, closing: true)?->do)->toBe('Empty it: 12 g are left.');
});

it('judges by the age of the next shot: near, then over, and what was loaded since counts', function (): void {
    $log = [['load', 200.0, 0.0]];
    $bears = barrelAfter($log, 0.0)?->minutes_left;
    expect($bears)->toBeGreaterThan(5.0);
    $at = static fn (float $share): ?Inside => barrelAfter($log, $share * 60 * $bears);
    expect($at(0.5)?->verdict)->toBe(Verdict::Ok)
        ->and($at(0.8)?->verdict)->toBe(Verdict::Near)
        ->and($at(0.8)->do)->toContain('within')
        ->and($at(1.1)?->verdict)->toBe(Verdict::Over)
        ->and($at(1.1)->do)->toContain('Purge it');
    // Four shots out and four loaded just now: the next shot is younger than what has stood all the time.
    $end = 0.9 * 60 * $bears;
    $turned = [['load', 200.0, 0.0], ...array_fill(0, 4, ['shot', 0.0, $end - 20]), ['load', 160.0, $end - 10]];
    expect(barrelAfter($turned, $end)?->used)->toBeLessThan((float) $at(0.9)?->used);
});

it('knows nothing of a screw, and of a polymer whose time is not known only how much there is', function (): void {
    $library = new PolymerLibrary;
    $barrel = new Barrel(new Registry($library));
    expect($barrel->of(new RunState, ['barrel_g' => null, 'shot_mass_g' => 4.0], $library->get('PP'), 1.0))->toBeNull();
    $inside = barrelAfter([['load', 90.0, 0.0]], 60.0, 'PVC-U');
    expect($inside?->verdict)->toBeNull()->and($inside->mass_g)->toBe(90.0);
});

it('makes a shot of the lot that was loaded before it, and of what the barrel still holds of the one before that', function (): void {
    $shots = shotsOf([
        ['load', 160.0, 0.0],
        ['shot', 0.0, 100.0],
        ['load', 40.0, 200.0],
        ['shot', 0.0, 300.0], ['shot', 0.0, 400.0], ['shot', 0.0, 500.0], ['shot', 0.0, 600.0],
    ], [[150.0, 7]]);
    expect($shots[1])->toBe([0 => 1.0]);
    foreach ($shots as $shot) {
        expect(array_sum($shot))->toEqualWithDelta(1.0, 1e-9);
    }
    // 160 g and 40 g went in and five shots of 40 g came out: each lot is in them to the gram.
    expect(40 * array_sum(array_column($shots, 7)))->toEqualWithDelta(40.0, 1e-6)
        ->and($shots[2][7] ?? 0.0)->toBeLessThan(0.2)
        ->and($shots[3][7])->toBeGreaterThan($shots[2][7] ?? 0.0)
        // With nothing behind it what is mixed empties as it is.
        ->and($shots[5][7])->toEqualWithDelta($shots[3][7], 1e-9);
});

it('is all of the new lot once the barrel was emptied before it', function (): void {
    $shots = shotsOf(
        [['load', 100.0, 0.0], ['purge', 100.0, 50.0], ['load', 80.0, 100.0], ['shot', 0.0, 200.0]],
        [[60.0, 7]],
    );
    expect($shots[1])->toBe([7 => 1.0])
        // A barrel that nobody measured tells nothing of its shots.
        ->and(Barrel::madeOf(new RunState, ['barrel_g' => null, 'shot_mass_g' => 4.0]))->toBeNull();
});

it('makes a piece that is charged by itself of the lot that went in then', function (): void {
    $process = (new Processes(new Registry))->get('compression');
    $state = new RunState;
    $state->lots = [['from' => 50.0, 'lot' => 7, 'code' => 'L-7']];
    foreach ([1 => 10.0, 2 => 40.0, 3 => 90.0] as $number => $began) {
        $state->pieces[$number] = new Thread($number);
        $state->pieces[$number]->stepSince = $began;
    }
    $procedure = shipped('compression');
    // The second was begun before, and charged after.
    $weighs = array_values(array_filter(
        $procedure->entries(),
        static fn (Entry $e): bool => $e->effect === 'draw_lot',
    ))[0]->id;
    $state->entries['w'] = [
        'key' => 'w', 'entry' => $weighs, 'at' => 60.0, 'by' => 'Ines', 'values' => ['mass_g' => 900.0], 'step' => null,
        'corrected' => 0, 'piece' => 2,
    ];
    expect($process->madeOf($procedure, $state, []))->toBe([1 => [0 => 1.0], 2 => [7 => 1.0], 3 => [7 => 1.0]]);
});

it('tells pieces together that are made of the same, to a hundredth', function (): void {
    expect(Alike::in([
        2 => ['A' => 1.0], 1 => ['A' => 0.9999, 'B' => 0.0001], 3 => ['A' => 0.3, 'B' => 0.7], 4 => ['B' => 1.0],
        5 => ['A' => 0.004, 'B' => 0.996],
    ]))->toBe([[1, 2, ['A' => 1.0]], [3, 3, ['B' => 0.7, 'A' => 0.3]], [4, 5, ['B' => 1.0]]])
        ->and(Alike::in([]))->toBe([]);
});
