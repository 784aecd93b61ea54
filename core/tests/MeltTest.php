<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

function melt(string $calculation, array $input): object
{
    return (new Registry)->run($calculation, $input);
}

it('spends the same minutes whether they are taken at once or in pieces', function (): void {
    $whole = melt('dwell.budget', ['polymer' => 'POM', 'history' => [['minutes' => 20, 'melt_c' => 200]]]);
    $pieces = melt(
        'dwell.budget',
        ['polymer' => 'POM', 'history' => array_fill(0, 40, ['minutes' => 0.5, 'melt_c' => 200])],
    );
    expect($pieces->used)->toEqualWithDelta($whole->used, 1e-9)
        ->and($pieces->minutes_left)
        ->toEqualWithDelta($whole->minutes_left, 1e-6)
        // Waiting for what is left uses it up.
        ->and(
            melt(
                'dwell.budget',
                ['polymer' => 'POM', 'history' => [['minutes' => 20 + $whole->minutes_left, 'melt_c' => 200]]],
            )->used,
        )->toEqualWithDelta(1.0, 1e-9);
});

it('stands its ceiling as long as the library says, and less the hotter', function (
    string $polymer,
    float $ceiling,
    float $minutes,
): void {
    expect(
        melt(
            'dwell.budget',
            ['polymer' => $polymer, 'history' => [['minutes' => 0, 'melt_c' => $ceiling]]],
        )->minutes_left,
    )->toEqualWithDelta($minutes, 1e-9);
    $last = INF;
    for ($c = $ceiling - 60; $c <= $ceiling + 20; $c += 10) {
        $left = melt(
            'dwell.budget',
            ['polymer' => $polymer, 'history' => [['minutes' => 0, 'melt_c' => $c]]],
        )->minutes_left;
        expect($left)->toBeLessThan($last);
        $last = $left;
    }
})->with([['POM', 225.0, 10.0], ['PA66', 315.0, 8.0], ['HDPE', 275.0, 20.0]]);

it('agrees with minutes reckoned by hand from the law of Arrhenius', function (): void {
    // 120 kJ/mol: POM 10 min at 225 °C makes 38.1 min at 203 °C and 18.1 at 215; PA66 8 min at 315 makes 29.9 at 285.
    foreach ([['POM', 203, 38.1], ['POM', 215, 18.1], ['PA66', 285, 29.9]] as [$polymer, $c, $minutes]) {
        expect(
            melt(
                'dwell.budget',
                ['polymer' => $polymer, 'history' => [['minutes' => 0, 'melt_c' => $c]]],
            )->minutes_left,
        )->toEqualWithDelta($minutes, 0.05);
    }
});

it('calls it near and over where it is, and has nothing to spend on PVC or on what nobody knows', function (): void {
    $verdict = static fn (float $minutes): string => melt(
        'dwell.budget',
        ['polymer' => 'POM', 'history' => [['minutes' => $minutes, 'melt_c' => 225]]],
    )->verdict->value;
    expect([$verdict(6.9), $verdict(7.1), $verdict(9.9), $verdict(10.1)])->toBe(['ok', 'near', 'near', 'over']);
    foreach (['PVC-U', 'PVC-P', 'UNKNOWN', 'OTHER'] as $polymer) {
        expect(
            fn () => melt('dwell.budget', ['polymer' => $polymer, 'history' => [['minutes' => 1, 'melt_c' => 150]]]),
        )->toThrow(fn (InputError $e) => expect($e->field)->toBe('minutes_at_ceiling'));
    }
    expect(
        melt(
            'dwell.budget',
            ['ceiling_c' => 250, 'minutes_at_ceiling' => 30, 'history' => [['minutes' => 30, 'melt_c' => 250]]],
        )->used,
    )->toEqualWithDelta(1.0, 1e-12);
});

it('fills a slit and a pipe as the law of a plain viscous melt says', function (): void {
    // n = 1: 12·η·L·Q/(W·H³) and 128·η·L·Q/(π·D⁴); K = 500 Pa·s gives 150 bar in the slit.
    $newton = [
        'consistency_pa_sn' => 500,
        'reference_c' => 200,
        'exponent' => 1,
        'temperature_coefficient_1_k' => 0,
        'density_melt_g_cm3' => 0.75,
        'specific_heat_melt_j_gk' => 2.5,
        'conductivity_melt_w_mk' => 0.25,
        'no_flow_c' => 120,
        'melt_c' => 200,
        'mould_c' => 30,
        'flow_cm3_s' => 6,
    ];
    $slit = melt(
        'flow.fill',
        $newton + ['path' => [['kind' => 'slit', 'length_mm' => 100, 'width_mm' => 30, 'height_mm' => 2]]],
    );
    $pipe = melt('flow.fill', $newton + ['path' => [['kind' => 'round', 'length_mm' => 50, 'diameter_mm' => 4]]]);
    expect($slit->pressure_bar)->toEqualWithDelta(150.0, 1e-6)->and($slit->fill_s)->toEqualWithDelta(1.0, 1e-9)
        ->and($pipe->pressure_bar)->toEqualWithDelta(128 * 500 * 0.05 * 6e-6 / (M_PI * 0.004 ** 4) / 1e5, 1e-6);
});

it('asks for less pressure the hotter the melt, the wider the way and the shorter it is, and adds segments up', function (): void {
    $fill = static fn (array $over = [], array $way = []): float => melt(
        'flow.fill',
        $over + [
            'polymer' => 'PP',
            'melt_c' => 220,
            'mould_c' => 40,
            'flow_cm3_s' => 10,
            'path' => [$way + ['kind' => 'slit', 'length_mm' => 80, 'width_mm' => 25, 'height_mm' => 2]],
        ],
    )->pressure_bar;
    expect($fill(['melt_c' => 240]))->toBeLessThan($fill())
        ->and($fill([], ['height_mm' => 2.5]))
        ->toBeLessThan($fill())
        ->and($fill([], ['length_mm' => 160]))
        ->toEqualWithDelta(2 * $fill(), 1e-9)
        ->and($fill(['flow_cm3_s' => 20]))->toBeLessThan(2 * $fill());
    $two = melt(
        'flow.fill',
        [
            'polymer' => 'PP',
            'melt_c' => 220,
            'mould_c' => 40,
            'flow_cm3_s' => 10,
            'path' => array_fill(0, 2, ['kind' => 'slit', 'length_mm' => 80, 'width_mm' => 25, 'height_mm' => 2]),
        ],
    );
    expect($two->pressure_bar)->toEqualWithDelta(2 * $fill(), 1e-9);
});

it('says too little pressure before freezing, and gives what is spare', function (): void {
    $fill = static fn (array $over): object => melt(
        'flow.fill',
        $over + [
            'polymer' => 'PP',
            'melt_c' => 220,
            'mould_c' => 40,
            'flow_cm3_s' => 10,
            'path' => [['kind' => 'slit', 'length_mm' => 80, 'width_mm' => 25, 'height_mm' => 2]],
        ],
    );
    $needs = $fill([])->pressure_bar;
    expect($fill(['available_bar' => 2 * $needs])->spare_pct)->toEqualWithDelta(50.0, 1e-9)
        ->and($fill(['available_bar' => $needs / 2])->verdict)
        ->toBe('too little pressure')
        ->and($fill(['flow_cm3_s' => 0.2])->verdict)
        ->toBe('freezes first')
        ->and($fill([])->spare_pct)
        ->toBeNull()
        ->and($fill(['flow_cm3_s' => 0.2, 'available_bar' => 0.1])->verdict)
        ->toBe('too little pressure');
});

it('takes a measured melt flow rate before the library: easier flow, less pressure', function (): void {
    $fill = static fn (float $mfr): float => melt(
        'flow.fill',
        [
            'polymer' => 'HDPE',
            'melt_c' => 215,
            'mould_c' => 30,
            'flow_cm3_s' => 10,
            'mfr_g_10min' => $mfr,
            'mfr_c' => 190,
            'mfr_kg' => 2.16,
            'path' => [['kind' => 'slit', 'length_mm' => 80, 'width_mm' => 25, 'height_mm' => 2]],
        ],
    )->pressure_bar;
    expect($fill(20))->toBeLessThan($fill(4))->and($fill(4))->toBeLessThan($fill(0.3));
});

it('refuses by name', function (array $over, string $field): void {
    $input = array_filter(
        $over + [
            'polymer' => 'PP',
            'melt_c' => 220,
            'mould_c' => 40,
            'flow_cm3_s' => 10,
            'path' => [['kind' => 'slit', 'length_mm' => 80, 'width_mm' => 25, 'height_mm' => 2]],
        ],
        static fn (mixed $v): bool => $v !== null,
    );
    expect(fn () => melt('flow.fill', $input))->toThrow(fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    'PVC' => [['polymer' => 'PVC-U'], 'polymer'],
    'a mould too hot to set in' => [['mould_c' => 140], 'mould_c'],
    'a melt that does not flow' => [['melt_c' => 120], 'melt_c'],
    'half a melt flow rate' => [['mfr_g_10min' => 5, 'mfr_c' => 230], 'mfr_kg'],
    'a slit without height' => [
        ['path' => [['kind' => 'slit', 'length_mm' => 5, 'width_mm' => 5]]],
        'path.0.height_mm',
    ],
    'no way at all' => [['path' => []], 'path'], 'nothing known of the melt' => [['polymer' => null], 'exponent'],
]);

it('waits for nothing after half a barrel and for the whole soak after more, and cycles as the plug arrives', function (
    float $fraction,
    float $share,
): void {
    $input = ['polymer' => 'HDPE', 'barrel_diameter_mm' => 30, 'wall_c' => 215, 'porosity' => 0.15];
    $full = melt('heat.barrel_soak', $input);
    $some = melt('heat.barrel_soak', $input + ['fraction_refilled' => $fraction]);
    expect($some->soak_min_full)->toEqualWithDelta($full->soak_min_full, 1e-9)
        ->and($some->soak_min_refill)
        ->toEqualWithDelta($fraction > 0.5 ? $full->soak_min_full : 0.0, 1e-9)
        ->and($some->min_cycle_s_continuous)->toEqualWithDelta(60 * $full->soak_min_full * $share, 1e-6);
})->with([
    [0.1, 0.1],
    [0.25, 0.25],
    [0.3, 1 / 3],
    [1 / 3, 1 / 3],
    [0.35, 0.5],
    [0.5, 0.5],
    [0.51, 1.0],
    [0.6, 1.0],
    [1.0, 1.0],
]);

it('soaks against a wall under the usual melt, but never under where the polymer melts', function (): void {
    $soak = static fn (string $polymer, float $wall): object => melt(
        'heat.barrel_soak',
        ['polymer' => $polymer, 'barrel_diameter_mm' => 30, 'wall_c' => $wall, 'porosity' => 0.15],
    );
    expect($soak('PP', 178)->target_c)->toBe(170.0)
        ->and($soak('PP', 220)->target_c)
        ->toBe(180.0)
        ->and($soak('HIPS', 150)->target_c)
        ->toEqualWithDelta(142.0, 1e-9)
        ->and($soak('PP', 168)->target_c)
        ->toBe(164.0);
    expect(fn () => $soak('PP', 163))->toThrow(fn (InputError $e) => expect($e->field)->toBe('wall_c'));
});

it('warns of a wall over the ceiling, and of a soak that spends the melt', function (): void {
    $said = static fn (array $over): string => implode(
        ' ',
        melt('heat.barrel_soak', $over + ['polymer' => 'POM', 'barrel_diameter_mm' => 30, 'wall_c' => 203])->warnings,
    );
    expect($said([]))->toContain('is spent')
        ->and($said(['wall_c' => 230]))
        ->toContain('above the ceiling of 225 °C')
        ->and($said(['barrel_diameter_mm' => 12, 'porosity' => 0.15]))->not
        ->toContain('spent');
});
