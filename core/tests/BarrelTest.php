<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

/** @return array<string, mixed> */
function barrel(array $events, float $mixing = 0.6, float $now = 1000.0, float $volume = 100.0): array
{
    return calculate('barrel.contents', [
        'barrel_volume_cm3' => $volume,
        'mixing' => $mixing,
        'density_melt_g_cm3' => 1.0,
        'events' => $events,
        'now_s' => $now,
    ]);
}

function load(float $at, string $lot, float $g): array
{
    return ['at_s' => $at, 'kind' => 'load', 'lot' => $lot, 'mass_g' => $g];
}

function shot(float $at, float $g): array
{
    return ['at_s' => $at, 'kind' => 'shot', 'mass_g' => $g];
}

it('moves as a plug where nothing mixes: first in, first out', function (): void {
    $out = barrel([load(0, 'A', 40), load(10, 'B', 40), shot(20, 30), shot(30, 30)], 0.0);
    expect($out['shots'][0]['shares'])->toBe(['A' => 1])
        ->and($out['shots'][1]['shares']['A'])
        ->toEqualWithDelta(1 / 3, 1e-9)
        ->and($out['in_barrel']['shares'])->toBe(['B' => 1])->and($out['in_barrel']['oldest_s'])->toBe(990);
});

it('washes out as an ideal stirred tank where all of it mixes', function (): void {
    // A full tank, then B in its place, gram for gram in small steps: A falls as e to the minus of what went through.
    $events = [load(0, 'A', 100)];
    for ($i = 1; $i <= 200; $i++) {
        $events[] = shot($i, 0.5);
        $events[] = load($i, 'B', 0.5);
    }
    expect(barrel($events, 1.0)['in_barrel']['shares']['A'])->toEqualWithDelta(exp(-1.0), 0.003);
    // With the plug behind it, what the stirred part takes in is the plug, and the law holds for one large shot.
    $once = barrel([load(0, 'A', 60), load(1, 'B', 40), shot(2, 30)]);
    expect($once['shots'][0]['shares']['A'])->toEqualWithDelta(60 * (1 - exp(-0.5)) / 30, 1e-9);
});

it('keeps every gram of every lot', function (int $seed): void {
    mt_srand($seed);
    $held = 0.0;
    $in = [];
    $events = [];
    for ($t = 0; $t < 60; $t++) {
        if (mt_rand(0, 1) === 1 && $held < 95) {
            $mass = mt_rand(1, (int) (10 * (100 - $held))) / 10;
            $lot = ['A', 'B', 'C'][mt_rand(0, 2)];
            $in[$lot] = ($in[$lot] ?? 0.0) + $mass;
            $events[] = load($t, $lot, $mass);
            $held += $mass;
        } elseif ($held > 1) {
            $mass = mt_rand(1, (int) (10 * $held)) / 10;
            $events[] = ['kind' => mt_rand(0, 3) === 0 ? 'purge' : 'shot'] + shot($t, $mass);
            $held -= $mass;
        }
    }
    $out = barrel($events, mt_rand(0, 10) / 10);
    $found = array_map(
        static fn (float $share): float => $share * $out['in_barrel']['mass_g'],
        $out['in_barrel']['shares'],
    );
    foreach ($out['shots'] as $shot) {
        expect(array_sum($shot['shares']))->toEqualWithDelta(1.0, 1e-9)
            ->and($shot['mean_age_s'])
            ->toBeGreaterThanOrEqual(0)
            ->toBeLessThanOrEqual($shot['at_s'] + 1e-9);
        foreach ($shot['shares'] as $lot => $share) {
            $found[$lot] = ($found[$lot] ?? 0.0) + $share * $shot['mass_g'];
        }
    }
    foreach ($in as $lot => $mass) {
        expect($found[$lot])->toEqualWithDelta($mass, 1e-6);
    }
    expect($out['in_barrel']['mass_g'])->toEqualWithDelta($held, 1e-6);
})->with(range(1, 12));

it('names a lot by a number as well, and an empty barrel as empty', function (): void {
    $out = (string) json_encode(
        (new Registry)->run(
            'barrel.contents',
            [
                'barrel_volume_cm3' => 10,
                'density_melt_g_cm3' => 1,
                'now_s' => 9,
                'events' => [load(0, '0', 5), shot(1, 5)],
            ],
        ),
    );
    expect($out)->toContain('"shares":{"0":1')
        ->toContain('"in_barrel":{"mass_g":0')
        ->toContain('"shares":{}')
        ->toContain('"oldest_s":null');
});

it('refuses more than there is room or melt for, and time that goes back', function (
    array $events,
    string $field,
): void {
    expect(static fn (): array => barrel($events))->toThrow(
        static fn (InputError $e) => expect($e->field)->toBe($field),
    );
})->with([
    [[load(0, 'A', 101)], 'events.0.mass_g'],
    [[load(0, 'A', 60), load(1, 'A', 41)], 'events.1.mass_g'],
    [[load(0, 'A', 10), shot(1, 11)], 'events.1.mass_g'],
    [[load(5, 'A', 10), shot(1, 5)], 'events.1.at_s'],
    [[['at_s' => 0, 'kind' => 'load', 'mass_g' => 5]], 'events.0.lot'],
    [[['at_s' => 0, 'kind' => 'drop', 'mass_g' => 5]], 'events.0.kind'],
    [[load(2000, 'A', 5)], 'now_s'],
]);
