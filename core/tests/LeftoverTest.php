<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Leftover;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/**
 * @param  list<array{string, array<string, mixed>, 2?: int}>  $logged  entry, values, piece
 * @param  list<string>  $through  a step that so many pieces went through, once for each
 */
function leaves(array $logged, array $through = []): RunState
{
    $state = new RunState;
    foreach ($logged as $i => [$entry, $values]) {
        $state->entries["l{$i}"] = [
            'key' => "l{$i}", 'entry' => $entry, 'at' => (float) $i, 'by' => 'Ines Halloran', 'values' => $values,
            'step' => null,
            'corrected' => 0, 'piece' => $logged[$i][2] ?? null,
        ];
    }
    foreach ($through as $i => $step) {
        $piece = new Thread($i + 1);
        $piece->done[$step] = ['at' => 1.0, 'by' => 'Ines Halloran', 'reason' => null, 'began' => 0.0];
        $state->pieces[$i + 1] = $piece;
    }

    return $state;
}

/** @return array<string, float> g by what it is */
function leftOf(string $process, RunState $state, array $targets): array
{
    $left = (new Processes(new Registry))->get($process)->leftovers($state, $targets);

    return array_combine(
        array_map(static fn (Leftover $l): string => $l->id, $left),
        array_map(static fn (Leftover $l): float => $l->mass_g, $left),
    );
}

it('is flash of a sheet: what was weighed in, less what came out', function (): void {
    $sheet = leaves([
        ['weigh', ['mass_g' => 2166]],
        ['inspection', ['mass_g' => 2050]],
        ['disposition', ['verdict' => 'good']],
    ]);
    expect(leftOf('compression', $sheet, []))->toBe(['flash' => 116.0]);
    // Of two sheets in one run each is held against its own charge; one that is not weighed yet says nothing.
    $two = leaves([
        ['weigh', ['mass_g' => 1000], 1], ['inspection', ['mass_g' => 980], 1],
        ['disposition', ['verdict' => 'scrap', 'reason' => 'short'], 1],
        ['weigh', ['mass_g' => 1000], 2], ['inspection', ['mass_g' => 900], 2],
        ['disposition', ['verdict' => 'good'], 2],
        ['weigh', ['mass_g' => 1000], 3],
    ]);
    expect(leftOf('compression', $two, []))->toBe(['flash' => 120.0, 'scrap' => 980.0]);
});

it('takes a sheet that is heavier than its charge for a scale that differs, not for flash under nothing', function (): void {
    $heavy = leaves([['weigh', ['mass_g' => 1000]], ['inspection', ['mass_g' => 1003]]]);
    expect(leftOf('compression', $heavy, []))->toBe([]);
});

it('is purgings, runners and bad parts of a mould', function (): void {
    $state = leaves([
        ['purge', ['what' => 'lumps', 'mass_g' => 30]],
        ['purge', ['what' => 'smooth', 'mass_g' => 12.5]],
        ['disposition', ['verdict' => 'good'], 1],
        ['disposition', ['verdict' => 'scrap', 'reason' => 'short'], 2],
        ['disposition', ['verdict' => 'good'], 3],
    ], ['shoot', 'shoot', 'shoot']);
    expect(leftOf('injection', $state, ['runner_g' => 1.5, 'part_mass_g' => 8.0, 'parts_per_piece' => 2.0]))
        ->toBe(['purge' => 42.5, 'runner' => 4.5, 'scrap' => 16.0])
        // An older plan does not say its runner: nothing is made up.
        ->and(leftOf('injection', $state, ['part_mass_g' => 8.0]))
        ->toBe(['purge' => 42.5, 'scrap' => 8.0]);
});

it('counts a verdict that was put right as it stands now', function (): void {
    $state = leaves([['disposition', ['verdict' => 'scrap'], 1], ['disposition', ['verdict' => 'good'], 1]]);
    expect(leftOf('injection', $state, ['part_mass_g' => 8.0]))->toBe([]);
});

it('is free run, overflow and bad bars of an extruder', function (): void {
    $state = leaves([
        ['purge', ['what' => 'smooth', 'mass_g' => 150]],
        ['overflow', ['mass_g' => 80], 1], ['overflow', ['mass_g' => 95], 2],
        ['disposition', ['verdict' => 'scrap', 'reason' => 'bent'], 2],
    ]);
    expect(leftOf('extrusion', $state, ['bar_mass_g' => 3500.0]))
        ->toBe(['purge' => 150.0, 'overflow' => 175.0, 'scrap' => 3500.0]);
});

it('is the rim of a formed part, and whole sheets of those that are not good', function (): void {
    $state = leaves([
        ['disposition', ['verdict' => 'good'], 1], ['disposition', ['verdict' => 'good'], 2],
        ['disposition', ['verdict' => 'scrap', 'reason' => 'web'], 3],
    ]);
    expect(leftOf('vacuum_forming', $state, ['blank_g' => 400.0, 'trim_g' => 120.0]))
        ->toBe(['trim' => 240.0, 'scrap' => 400.0]);
});

it('plans the rim of a blank as what lies outside the opening: the masses add up', function (): void {
    $plan = calculate('plan.vacuum_forming', [
        'polymer' => 'HIPS',
        'machine' => ['heater_c' => 390, 'sides' => 1],
        'settings' => ['length_mm' => 300, 'width_mm' => 200, 'depth_mm' => 40, 'sheet_mm' => 1.5, 'margin_mm' => 25],
    ]);
    $set = (array) $plan['targets'];
    $density = (float) (new PolymerLibrary)->get('HIPS')->property('density_g_cm3');
    expect($set['blank_g'])->toEqualWithDelta(350 * 250 * 1.5 * $density / 1000, 0.1)
        ->and($set['blank_g'] - $set['trim_g'])->toEqualWithDelta(300 * 200 * 1.5 * $density / 1000, 0.1);
});

it('plans a runner as its volume says', function (): void {
    $plan = calculate('plan.injection', [
        'polymer' => 'PP',
        'machine' => ['barrel_diameter_mm' => 40, 'barrel_length_mm' => 150],
        'settings' => ['part_volume_cm3' => 20, 'thickness_mm' => 2, 'runner_volume_cm3' => 2],
    ]);
    expect(((array) $plan['targets'])['runner_g'])->toEqualWithDelta(2 * 0.905, 0.02);
});
