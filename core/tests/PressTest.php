<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Press\PressSchools;
use Dithermic\Core\Heat\Press\PressSchoolsInput;
use Dithermic\Core\Material\PolymerLibrary;

const PANEL = [
    'polymer' => 'HDPE',
    'thickness_mm' => 8,
    'initial_c' => 20,
    'platen_c' => 185,
    'length_mm' => 600,
    'width_mm' => 450,
];
const ANVIL = [
    'press' => ['heater_kw' => 2.2, 'platen_kj_k' => 14, 'loss_kw' => 0.5],
    'cold_press' => ['platen_kj_k' => 18, 'cooling_w_k' => 12],
];

function cycle(array $over = [], float $cells = 1, float $steps = 1): object
{
    return (new PressCycle(new PolymerLibrary))(Reader::read(PressCycleInput::class, $over + PANEL), $cells, $steps);
}

it('changes a reported time by less than 1 % when grid and step are halved', function (array $machine): void {
    $coarse = cycle($machine);
    $fine = cycle($machine, 2, 2);
    expect(abs($coarse->heat_min / $fine->heat_min - 1))->toBeLessThan(0.01)
        ->and(abs($coarse->cool_min / $fine->cool_min - 1))->toBeLessThan(0.01)
        ->and(abs($coarse->energy_error_pct))->toBeLessThan(0.2);
})->with(['ideal' => [[]], 'Anvil and Pond' => [ANVIL]]);

it('never heats a thicker sheet faster, nor with a worse contact, nor with colder platens', function (): void {
    $last = 0.0;
    foreach ([2, 4, 6, 8, 12, 16, 20] as $mm) {
        $now = cycle(['thickness_mm' => $mm])->heat_min;
        expect($now)->toBeGreaterThan($last);
        $last = $now;
    }
    $last = INF;
    foreach ([100, 250, 400, 1000, 5000] as $contact) {
        $now = cycle(['contact_w_m2k' => $contact])->heat_min;
        expect($now)->toBeLessThan($last);
        $last = $now;
    }
    $last = INF;
    foreach ([170, 180, 190, 210] as $platen) {
        $now = cycle(['platen_c' => $platen])->heat_min;
        expect($now)->toBeLessThan($last);
        $last = $now;
    }
});

it('sags under a cold stack and warms the cold press, as real ones do', function (): void {
    $real = cycle(ANVIL);
    $ideal = cycle();
    expect($ideal->platen_min_c)->toBeNull()
        ->and($ideal->cold_platen_end_c)
        ->toBeNull()
        ->and($ideal->full_power_min)
        ->toBeNull()
        ->and($real->platen_min_c)->toBeLessThan(180.0)->and($real->heat_min)->toBeGreaterThan($ideal->heat_min)
        ->and($real->cool_min)->toBeGreaterThan($ideal->cool_min)->and($real->cold_platen_end_c)->toBeGreaterThan(30.0)
        ->and($real->full_power_min)->toBeGreaterThan(1.0)->toBeLessThan($real->heat_min + 3);
});

it('approaches the ideal press as platens and heaters grow', function (): void {
    $huge = cycle([
        'press' => ['heater_kw' => 900, 'platen_kj_k' => 50000],
        'cold_press' => ['platen_kj_k' => 50000, 'cooling_w_k' => 90000, 'coolant_c' => 25],
    ]);
    $ideal = cycle();
    expect($huge->heat_min)->toEqualWithDelta($ideal->heat_min, 0.01 * $ideal->heat_min)
        ->and($huge->cool_min)
        ->toEqualWithDelta($ideal->cool_min, 0.01 * $ideal->cool_min);
});

it('puts into the sheet what its own heat capacity and fusion ask for', function (): void {
    $long = cycle(['soak_min' => 200, 'porosity' => 0]);
    // Both plates and the polymer all at platen temperature: c·ΔT either side of the range, its mean inside, and the
    // fusion.
    $polymer = 955 * 0.008 * (2000 * (116 - 20) + 2250 * 15 + 195e3 + 2500 * (185 - 131));
    $plates = 2 * 0.003 * 2700 * 900 * (185 - 20);
    expect($long->energy_kj)->toEqualWithDelta(($polymer + $plates) / 1000, 0.003 * ($polymer + $plates) / 1000);
});

it('scales the calibrated time only, and judges a given time through it', function (): void {
    $plain = cycle(['minutes_given' => 6]);
    $slow = cycle(['minutes_given' => 12, 'heat_factor' => 2]);
    expect($slow->heat_min)->toBe($plain->heat_min)
        ->and($slow->heat_min_calibrated)
        ->toEqualWithDelta(2 * $plain->heat_min, 1e-9)
        ->and($slow->cool_min)
        ->toBe($plain->cool_min)
        ->and($slow->core_at_given_c)
        ->toEqualWithDelta($plain->core_at_given_c, 1e-6);
});

it('cools from what really was heated when it is moved early', function (): void {
    $early = cycle(['transfer_min' => 4, 'with_profile' => true]);
    $late = cycle(['transfer_min' => 20]);
    expect($early->heat_min)->toEqualWithDelta($late->heat_min, 1e-9)
        ->and($early->cool_min)
        ->toBeLessThan($late->cool_min)
        ->and(max(array_column($early->curve, 'core_c')))
        ->toBeLessThan(165.0)
        ->and($early->curve[0]->profile_c)
        ->toHaveCount(11);
});

it('reports at most 200 points that go from first to last and close the bed', function (): void {
    $curve = cycle(ANVIL)->curve;
    $thickness = array_column($curve, 'thickness_mm');
    expect(count($curve))->toBeLessThanOrEqual(200)
        ->and($curve[0]->time_s)
        ->toBe(0.0)
        ->and($thickness[0])
        ->toBeGreaterThan(20.0)
        ->and(end($thickness))
        ->toEqualWithDelta(8.0, 0.001);
    for ($i = 1; $i < count($thickness); $i++) {
        expect($thickness[$i])->toBeLessThanOrEqual($thickness[$i - 1] + 1e-9);
    }
});

it('refuses by name what cannot be', function (array $over, string $field): void {
    expect(static fn () => cycle($over))->toThrow(fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    [['thickness_mm' => 0], 'thickness_mm'],
    [['thickness_mm' => NAN], 'thickness_mm'],
    [['platen_c' => '185'], 'platen_c'],
    [['core_target_c' => 185], 'core_target_c'],
    [['demould_c' => 140], 'demould_c'],
    [['demould_c' => 24], 'demould_c'],
    [['press' => ['heater_kw' => 1, 'platen_kj_k' => 10, 'loss_kw' => 1]], 'press.heater_kw'],
    [['skin' => ['thickness_mm' => -1]], 'skin.thickness_mm'],
    [['polymer' => 'NOSUCH'], 'polymer'],
    [['polymer' => 'UNKNOWN'], 'polymer'],
    [['polymer' => 'PET'], 'core_target_c'],
    [['bulk_density_g_cm3' => 1.5], 'bulk_density_g_cm3'],
    [['length_mm' => null] + ANVIL, 'length_mm'],
    [['tc_c' => 140], 'tc_c'],
]);

it('warns above the ceiling and for a polymer that is not pressed', function (): void {
    expect(implode(' ', cycle(['platen_c' => 290])->warnings))->toContain('ceiling');
    expect(implode(
        ' ',
        cycle(['polymer' => 'PA6', 'platen_c' => 250, 'core_target_c' => 235])->warnings,
    ))->toContain('not pressed');
});

it('orders the schools as given and calls a quick rule cold', function (): void {
    $answer = (new Registry)->run(
        'heat.press_schools',
        PANEL + [
            'rules' => [
                ['id' => 'physics'],
                ['id' => 'quick', 'heat_min_per_mm' => 0.4, 'cool_ratio' => 0.2],
                ['id' => 'slow', 'heat_min_per_mm' => 8, 'cool_ratio' => 1],
            ],
        ],
    );
    expect(array_column($answer->rules, 'id'))->toBe(['physics', 'quick', 'slow'])
        ->and(array_column($answer->rules, 'verdict'))
        ->toBe(['ok', 'core cold', 'long']);
});

it('judges rules along a sheet that was already followed as it does by itself', function (float $soak): void {
    $library = new PolymerLibrary;
    $heat = ['soak_min' => $soak] + ANVIL + PANEL;
    $rules = [
        ['id' => 'short', 'heat_min_per_mm' => 0.8, 'cool_ratio' => 1.0],
        ['id' => 'physics'],
        ['id' => 'long', 'heat_min_per_mm' => 6.0, 'cool_min_per_mm' => 3.0],
    ];
    $in = Reader::read(PressSchoolsInput::class, ['rules' => $rules] + $heat);
    [$cycle, $course] = (new PressCycle($library))->followed(Reader::read(PressCycleInput::class, $heat));
    $alone = (new PressSchools($library))($in);
    $along = (new PressSchools($library))->along($in, $course);

    expect($along->rules)->toEqual($alone->rules)
        ->and($along->rules[1]->heat_min)->toEqualWithDelta($cycle->heat_min + $soak, 1e-9)
        ->and($along->rules[1]->cool_min)->toEqualWithDelta($cycle->cool_min, 1e-9)
        // A rule that ends before the middle is there sees the same sheet as one that stops a run at that minute.
        ->and($along->rules[0]->core_end_of_heat_c)->toEqualWithDelta(
            cycle(['minutes_given' => 0.8 * 8] + $heat)->core_at_given_c,
            0.3,
        )
        ->and($along->rules[2]->core_end_of_heat_c)->toEqualWithDelta(
            cycle(['minutes_given' => 6.0 * 8] + $heat)->core_at_given_c,
            0.3,
        );
})->with(['no soak' => [0.0], 'three minutes of soak' => [3.0]]);

it('takes a sheet out when it is said, and not at the end of the step before', function (): void {
    $taken = cycle(['soak_min' => 0.0] + ANVIL);
    $times = array_column($taken->curve, 'time_s');
    $sorted = $times;
    sort($sorted);

    expect($times)->toBe($sorted)
        ->and($times)->toContain(round(60 * $taken->heat_min, 2));
});
