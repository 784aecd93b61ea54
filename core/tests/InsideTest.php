<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Injection\Barrel;
use Dithermic\Core\Process\Inside;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

const BARREL = ['barrel_g' => 200.0, 'shot_mass_g' => 40.0, 'melt_c' => 219.0];

/** @param  list<array{string, float, float}>  $log  load, purge or shot; g; at s */
function barrelAfter(array $log, float $now, string $polymer = 'HDPE', bool $closing = false): ?Inside
{
    $state = new RunState;
    $state->closing = $closing;
    foreach ($log as $i => [$kind, $mass, $at]) {
        if ($kind === 'shot') {
            $piece = new Thread(count($state->pieces) + 1);
            $piece->done['shoot'] = ['at' => $at, 'by' => 'Ines', 'reason' => null, 'began' => $at];
            $state->pieces[] = $piece;

            continue;
        }
        $state->entries["k{$i}"] = [
            'key' => "k{$i}", 'entry' => $kind, 'at' => $at, 'by' => 'Ines', 'values' => ['mass_g' => $mass],
            'step' => null, 'corrected' => 0, 'piece' => null,
        ];
    }
    $library = new PolymerLibrary;

    return (new Barrel(new Registry($library)))->of($state, BARREL, $library->get($polymer), $now);
}

it('counts what went in and came out, in the order in which it happened', function (): void {
    // Logged late: the shot stands after the load that came after it.
    $inside = barrelAfter([['load', 160.0, 0.0], ['load', 40.0, 700.0], ['purge', 15.0, 500.0], ['shot', 0.0, 600.0]], 800.0);
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
