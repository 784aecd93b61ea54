<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

/** @return array<string, mixed> */
function costOf(array $over = []): array
{
    $input = $over + [
        'good' => 8,
        'scrapped' => 2,
        'material' => [['mass_g' => 500, 'price_kg' => 2], ['mass_g' => 100, 'price_kg' => 10]],
        'energy_kwh' => 4,
        'price_kwh' => 0.25,
        'hands' => [['minutes' => 30, 'price_h' => 20]],
        'mould' => ['price' => 1000, 'life_shots' => 1000],
    ];

    return calculate('cost.part', $input);
}

it('puts the whole run on the good parts', function (): void {
    $cost = costOf();
    expect(array_column($cost['lines'], 'total', 'id'))->toEqual([
        'material' => 2.0,
        'energy' => 1.0,
        'hands' => 10.0,
        'mould' => 10.0,
    ])
        ->and($cost['total'])->toEqualWithDelta(23.0, 1e-9)->and($cost['per_good_part'])->toEqualWithDelta(23 / 8, 1e-9)
        ->and($cost['scrap_cost'])->toEqualWithDelta(23 * 2 / 10, 1e-9)
        ->and(array_sum(array_column($cost['lines'], 'per_good_part')))->toEqualWithDelta($cost['per_good_part'], 1e-9);
});

it('wears the mould by shots, good or not, and a shot of many parts once', function (): void {
    $mould = static fn (int $cavities): float => array_column(
        costOf(['mould' => ['price' => 1000, 'life_shots' => 1000, 'cavities' => $cavities]])['lines'],
        'total',
        'id',
    )['mould'];
    expect($mould(1))->toEqual(10.0)
        ->and($mould(5))
        ->toEqual(2.0)
        ->and($mould(4))
        ->toEqual(3.0)
        ->and($mould(100))
        ->toEqual(1.0);
    expect(
        costOf(['mould' => ['price' => 5, 'life_shots' => 5]])['warnings'][0],
    )->toContain('more shots than its life');
});

it('gets dearer with every part that is scrapped, and never cheaper', function (): void {
    $before = 0.0;
    foreach ([0, 1, 2, 4, 8] as $scrapped) {
        $now = costOf(['good' => 10 - $scrapped, 'scrapped' => $scrapped])['per_good_part'];
        expect($now)->toBeGreaterThan($before);
        $before = $now;
    }
    expect(costOf(['scrapped' => 0])['scrap_cost'])->toEqual(0.0);
});

it('refuses what cannot be by its field', function (array $over, string $field): void {
    expect(static fn (): array => costOf($over))->toThrow(static fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    [['good' => 0], 'good'],
    [['good' => 1.5], 'good'],
    [['scrapped' => -1], 'scrapped'],
    [['material' => [['mass_g' => -1, 'price_kg' => 1]]], 'material.0.mass_g'],
    [['hands' => [['minutes' => 5]]], 'hands.0.price_h'],
    [['mould' => ['price' => 5, 'life_shots' => 0]], 'mould.life_shots'],
    [['energy_kwh' => 'much'], 'energy_kwh'],
]);

it('counts the pieces of a shift from its first whole one on', function (float $shift, float $startup, int $pieces): void {
    $of = (new Registry)->run('cycle.capacity', [
        'process' => 'compression',
        'steps' => [['id' => 'press', 'seconds' => 300, 'needs' => []]],
        'shift_min' => $shift,
        'startup_min' => $startup,
    ]);
    expect($of->per_shift)->toBe($pieces)
        ->and($of->cycle_s)->toBe(300.0)
        ->and($of->bottleneck)->toBe('steps')
        ->and($of->explanation)->toContain('the length of its own steps');
})->with([
    'an hour' => [60, 0, 12], 'one exactly' => [5, 0, 1], 'none quite' => [4.99, 0, 0], 'two exactly' => [10, 0, 2],
    'nearly two' => [9.99, 0, 1], 'after it was warm' => [65, 60, 1], 'never warm' => [60, 90, 0],
]);

it('finds what holds back among hands and machines, and what one more of each would do', function (): void {
    $of = (new Registry)->run('cycle.capacity', [
        'process' => 'compression',
        'steps' => [
            ['id' => 'load', 'seconds' => 60, 'needs' => ['hands', 'press']],
            ['id' => 'press', 'seconds' => 240, 'needs' => ['press']],
            ['id' => 'cool', 'seconds' => 400, 'needs' => ['cold_press']],
        ],
        'shift_min' => 100,
        'resources' => ['cold_press' => 1],
        'wanted' => 10,
    ]);
    // 400 s in the cold press; with a second one 300 s in the hot one.
    expect([$of->cycle_s, $of->bottleneck])->toBe([400.0, 'cold_press'])
        ->and($of->per_shift)->toBe(1 + intdiv(6000 - 700, 400))
        ->and($of->hours_for_wanted)->toEqualWithDelta((700 + 9 * 400) / 3600, 1e-9)
        ->and($of->utilisation)->toEqual(['hands' => 60 / 400, 'press' => 300 / 400, 'cold_press' => 1.0]);
    $more = array_column($of->whatif, 'cycle_s', 'change');
    expect($more)->toBe(['+1 hands' => 400.0, '+1 press' => 400.0, '+1 cold_press' => 300.0]);
    expect(static fn () => (new Registry)->run('cycle.capacity', [
        'process' => 'compression',
        'steps' => [['id' => 'wait', 'seconds' => 0, 'needs' => []]],
        'shift_min' => 60,
    ]))->toThrow(InputError::class, 'take no time at all');
});
