<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Barrel\BarrelSoak;
use Dithermic\Core\Heat\Barrel\BarrelSoakInput;
use Dithermic\Core\Heat\Bath\BarInBath;
use Dithermic\Core\Heat\Bath\BarInBathInput;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Material\PolymerLibrary;

/** How far any of these times moves when grid and step are halved, as a share. */
function moves(string $calculation, string $input, array $given, array $times): float
{
    $solve = new $calculation(new PolymerLibrary);
    $in = Reader::read($input, $given);
    $coarse = $solve($in);
    $fine = $solve($in, 2.0, 2.0);
    $most = 0.0;
    foreach ($times as $time) {
        $most = $fine->{$time} === null || $fine->{$time} <= 0
            ? $most
            : max($most, abs($coarse->{$time} / $fine->{$time} - 1));
    }

    return $most;
}

it('moves no press time by a hundredth when grid and step are halved', function (
    string $polymer,
    float $platen,
    float $mm,
    float $contact,
): void {
    expect(moves(
        PressCycle::class,
        PressCycleInput::class,
        [
            'polymer' => $polymer,
            'thickness_mm' => $mm,
            'initial_c' => 20,
            'platen_c' => $platen,
            'contact_w_m2k' => $contact,
        ],
        ['heat_min', 'cool_min', 'consolidated_min'],
    ))->toBeLessThan(0.01);
})->with([
    ['HDPE', 185, 2, 1e6],
    ['HDPE', 185, 60, 400],
    ['LDPE', 158, 40, 400],
    ['LDPE', 158, 40, 1e6],
    ['HIPS', 190, 60, 400],
    ['ABS', 200, 8, 150],
    ['PP', 190, 20, 1e6],
]);

it('moves no barrel, sheet or bar by a hundredth either', function (): void {
    foreach ([
        ['HDPE', 215, 60, 0.55],
        ['PP', 220, 15, 0.15],
        ['PC', 295, 30, 0.55],
    ] as [$polymer, $wall, $bore, $pores]) {
        expect(moves(
            BarrelSoak::class,
            BarrelSoakInput::class,
            ['polymer' => $polymer, 'barrel_diameter_mm' => $bore, 'wall_c' => $wall, 'porosity' => $pores],
            ['soak_min_full'],
        ))->toBeLessThan(0.01);
    }
    foreach ([
        ['ABS', 6, 1, 300],
        ['HDPE', 6, 2, 450],
        ['PET', 1, 2, 350],
        ['HIPS', 6, 1, 300],
    ] as [$polymer, $mm, $sides, $heater]) {
        expect(moves(
            VacuumSheet::class,
            VacuumSheetInput::class,
            [
                'polymer' => $polymer,
                'thickness_mm' => $mm,
                'initial_c' => 20,
                'heater_c' => $heater,
                'exchange' => 0.7,
                'sides' => $sides,
                'ambient_c' => 20,
            ],
            ['ready_s', 'limit_s', 'form_within_s'],
        ))->toBeLessThan(0.01);
    }
    $bar = Reader::read(
        BarInBathInput::class,
        ['polymer' => 'HDPE', 'width_mm' => 60, 'height_mm' => 40, 'melt_c' => 200, 'bath_c' => 15],
    );
    $coarse = (new BarInBath(new PolymerLibrary))($bar);
    $fine = (new BarInBath(new PolymerLibrary))($bar, 2.0);
    expect($coarse->minutes_to_core)->toEqualWithDelta($fine->minutes_to_core, 0.01 * $fine->minutes_to_core)
        ->and($coarse->strip_s)
        ->toEqualWithDelta($fine->strip_s, 0.01 * $fine->strip_s);
});

it('has no middle colder than it began while it heats, nor hotter than it was while it cools', function (): void {
    mt_srand(crc32('middle'));
    foreach (range(1, 40) as $i) {
        [$polymer, $platen] = [['ABS', 200], ['PLA', 185], ['HDPE', 185], ['PP', 190]][mt_rand(0, 3)];
        $start = mt_rand(0, 300) / 10;
        $cycle = (new Registry)->run(
            'heat.press_cycle',
            [
                'polymer' => $polymer,
                'thickness_mm' => mt_rand(10, 200) / 10,
                'initial_c' => $start,
                'platen_c' => $platen,
                'porosity' => mt_rand(0, 97) / 100,
                'contact_w_m2k' => 10 ** (mt_rand(20, 60) / 10),
            ],
        );
        $core = array_column($cycle->curve, 'core_c');
        expect(min(array_slice(
            $core,
            0,
            (int) array_search(max($core), $core, true) + 1,
        )))->toBeGreaterThanOrEqual($start - 0.01)
            ->and(max($core))
            ->toBeLessThanOrEqual($platen + 0.01);
    }
});

it('waits longer for everything that makes it slower, however little', function (
    string $calculation,
    array $base,
    string $field,
    float $from,
    float $by,
    string $time,
    int $sign,
): void {
    $last = null;
    for ($i = 0; $i < 25; $i++) {
        $now = (new Registry)->run($calculation, [$field => $from + $i * $by] + $base)->{$time};
        if ($last !== null) {
            expect($sign * ($now - $last))->toBeGreaterThanOrEqual(
                -5e-4 * $last,
                "{$calculation} {$field} ".($from + $i * $by),
            );
        }
        $last = $now;
    }
})->with([
    'thicker sheet' => [
        'heat.press_cycle',
        ['polymer' => 'HDPE', 'initial_c' => 20, 'platen_c' => 185],
        'thickness_mm',
        8.0,
        0.02,
        'heat_min',
        1,
    ],
    'warmer charge' => [
        'heat.press_cycle',
        ['polymer' => 'HDPE', 'thickness_mm' => 12, 'platen_c' => 185],
        'initial_c',
        10.0,
        0.5,
        'heat_min',
        -1,
    ],
    'hotter platens' => [
        'heat.press_cycle',
        ['polymer' => 'ABS', 'thickness_mm' => 6, 'initial_c' => 20],
        'platen_c',
        205.0,
        0.2,
        'heat_min',
        -1,
    ],
    'wider bore' => [
        'heat.barrel_soak',
        ['polymer' => 'PP', 'wall_c' => 220],
        'barrel_diameter_mm',
        30.0,
        0.1,
        'soak_min_full',
        1,
    ],
    'hotter wall' => [
        'heat.barrel_soak',
        ['polymer' => 'HDPE', 'barrel_diameter_mm' => 30, 'target_c' => 190],
        'wall_c',
        205.0,
        0.4,
        'soak_min_full',
        -1,
    ],
    'thicker forming sheet' => [
        'heat.vacuum_sheet',
        ['polymer' => 'HIPS', 'initial_c' => 20, 'heater_c' => 400, 'exchange' => 0.7, 'sides' => 1, 'ambient_c' => 20],
        'thickness_mm',
        1.5,
        0.02,
        'ready_s',
        1,
    ],
    'thicker wall in a mould' => [
        'heat.mould_contact',
        ['polymer' => 'PP', 'melt_c' => 220, 'mould_c' => 40, 'eject_c' => 80, 'mould' => 'steel', 'cycles' => 4],
        'wall_mm',
        2.0,
        0.02,
        'cooling_s_first',
        1,
    ],
]);

it('heats quenched sheet longer than crystals would take, and only where sheet is quenched', function (
    string $polymer,
    float $least,
    float $most,
): void {
    $ready = static fn (array $over): float => (new Registry)->run(
        'heat.vacuum_sheet',
        $over + [
            'polymer' => $polymer,
            'thickness_mm' => 1.5,
            'initial_c' => 20,
            'heater_c' => 350,
            'exchange' => 0.7,
            'sides' => 2,
            'ambient_c' => 20,
        ],
    )->ready_s;
    expect(
        $ready([]) / $ready(['morphology' => 'semi-crystalline']),
    )->toBeGreaterThanOrEqual($least)->toBeLessThanOrEqual($most);
})->with([['PET', 1.1, 1.3], ['PLA', 1.08, 1.3], ['PP', 1.0, 1.0]]);

it('cools a mould by its whole outside, the better in water', function (): void {
    $steady = static fn (array $over): float => (new Registry)->run(
        'heat.mould_contact',
        $over + [
            'polymer' => 'HDPE',
            'wall_mm' => 2.5,
            'melt_c' => 215,
            'mould_c' => 35,
            'eject_c' => 68,
            'mould' => 'aluminium',
        ],
    )->cooling_s_steady;
    expect($steady([]))->toEqualWithDelta($steady(['back_h_w_m2k' => 40]), 1e-9)
        ->and($steady(['in_water' => true]))
        ->toEqualWithDelta($steady(['back_h_w_m2k' => 4000]), 1e-9)
        ->and($steady(['area_ratio' => 6, 'back_h_w_m2k' => 10]))
        ->toEqualWithDelta($steady(['back_h_w_m2k' => 10]), 1e-9)
        ->and($steady(['area_ratio' => 6]))
        ->toBeLessThan($steady([]));
});

it('strips a bar when its skin carries it, long before its core is cold', function (): void {
    $bar = static fn (array $over = []): object => (new Registry)->run(
        'heat.bar_in_bath',
        $over + [
            'polymer' => 'HDPE',
            'width_mm' => 40,
            'height_mm' => 40,
            'length_mm' => 1100,
            'melt_c' => 200,
            'bath_c' => 15,
        ],
    );
    $plain = $bar();
    expect($plain->strip_s)->toBeLessThan(60 * $plain->minutes_to_core)
        ->and($plain->strip_skin_mm)
        ->toBeGreaterThanOrEqual(0.12 * 40)
        ->and($bar(['span_mm' => 850])->strip_skin_mm)
        ->toBeGreaterThan($plain->strip_skin_mm)
        ->and($bar(['skin_mm' => [$plain->strip_skin_mm]])->minutes_to_skin_mm[0]->minutes * 60)
        ->toEqualWithDelta($plain->strip_s, 1e-6);
    // The hollow section that it asks for sags by just what is allowed: 5wL⁴/(384EI) by hand.
    $long = $bar(['span_mm' => 850]);
    $s = $long->strip_skin_mm;
    $sag = 5 * 955 * 0.04 ** 2 * 9.80665 * 0.85 ** 4 / (
        384 * 300e6 * (40 ** 4 - (40 - 2 * $s) ** 4) / 12 * 1e-12
    ) * 1000;
    expect($sag)->toEqualWithDelta(2.0, 0.02)
        ->and($bar(['span_mm' => 3000])->strip_s)
        ->toBeNull()
        ->and($bar(['span_mm' => 3000])->strip_because)
        ->toContain('sags');
});

it('refuses a bar that is not hot enough to cool', function (): void {
    expect(
        fn () => (new Registry)->run(
            'heat.bar_in_bath',
            ['polymer' => 'HDPE', 'diameter_mm' => 30, 'melt_c' => 60, 'bath_c' => 15],
        ),
    )->toThrow(fn (InputError $e) => expect($e->field)->toBe('melt_c'));
});

it('warns when anything gets over a ceiling, the library\'s or one that is given', function (
    string $calculation,
    array $input,
): void {
    expect(implode(' ', (new Registry)->run($calculation, $input)->warnings))->toContain('ceiling');
})->with([
    ['heat.press_cycle', ['polymer' => 'HDPE', 'thickness_mm' => 4, 'initial_c' => 20, 'platen_c' => 280]],
    ['heat.press_schools', ['polymer' => 'HDPE', 'thickness_mm' => 4, 'initial_c' => 20, 'platen_c' => 280]],
    [
        'heat.mould_contact',
        [
            'polymer' => 'POM',
            'wall_mm' => 2,
            'melt_c' => 230,
            'mould_c' => 80,
            'eject_c' => 120,
            'mould' => 'steel',
            'cycles' => 2,
        ],
    ],
    ['heat.bar_in_bath', ['polymer' => 'LDPE', 'diameter_mm' => 20, 'melt_c' => 265, 'bath_c' => 15]],
    ['heat.cooling_time', ['polymer' => 'PP', 'thickness_mm' => 2, 'melt_c' => 285, 'mould_c' => 40, 'eject_c' => 80]],
    [
        'heat.vacuum_cool',
        ['polymer' => 'HIPS', 'wall_mm' => [1], 'sheet_c' => 270, 'mould_c' => 40, 'air_c' => 20, 'release_c' => 70],
    ],
    [
        'heat.cooling_time',
        [
            'diffusivity_m2_s' => 1e-7,
            'ceiling_c' => 200,
            'thickness_mm' => 2,
            'melt_c' => 210,
            'mould_c' => 40,
            'eject_c' => 80,
        ],
    ],
    [
        'heat.slab',
        [
            'geometry' => 'slab',
            'layers' => [[
                'thickness_mm' => 3,
                'conductivity_w_mk' => 0.2,
                'density_kg_m3' => 1000,
                'specific_heat_j_gk' => 2,
                'initial_c' => 20,
                'ceiling_c' => 150,
            ]],
            'left' => ['kind' => 'insulated'],
            'right' => ['kind' => 'fixed', 'c' => 200],
            'duration_s' => 60,
            'sample_s' => [60],
        ],
    ],
]);

it('refuses what no stuff is, by the field and by the floor', function (
    string $calculation,
    string $field,
    float $under,
): void {
    $examples = array_column((new Registry)->bench(), 'example', 'name');
    expect(
        fn () => (new Registry)->run($calculation, [$field => $under] + $examples[$calculation]),
    )->toThrow(fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    ['heat.press_cycle', 'thickness_mm', 0.009],
    ['heat.press_cycle', 'conductivity_solid_w_mk', 0.004],
    ['heat.vacuum_sheet', 'specific_heat_melt_j_gk', 5e-324],
    ['heat.barrel_soak', 'specific_heat_solid_j_gk', 1e-5],
    ['heat.barrel_soak', 'barrel_diameter_mm', 0.9],
    ['heat.press_schools', 'conductivity_solid_w_mk', 2e-7],
    ['heat.mould_contact', 'wall_mm', 0.001],
    ['charge.sheet', 'thickness_mm', 1e-300],
    ['charge.sheet', 'length_mm', 5e-324],
    ['charge.blend', 'scale_resolution_g', 5e-324], ['heat.vacuum_cool', 'density_solid_g_cm3', 0.001],
]);

it('gives up in time on work that no answer is worth, whatever it is asked', function (
    string $calculation,
    array $over,
): void {
    $examples = array_column((new Registry)->bench(), 'example', 'name');
    $before = getrusage();
    try {
        (new Registry)->run($calculation, $over + $examples[$calculation]);
    } catch (InputError $error) {
        expect($error->getMessage())->not->toBeEmpty();
    }
    $after = getrusage();
    expect($after['ru_utime.tv_sec'] - $before['ru_utime.tv_sec'])->toBeLessThan(4);
})->with([
    [
        'heat.slab',
        [
            'duration_s' => 1e6,
            'layers' => [[
                'thickness_mm' => 0.01,
                'conductivity_w_mk' => 5000,
                'density_kg_m3' => 5,
                'specific_heat_j_gk' => 0.1,
                'initial_c' => 20,
            ]],
        ],
    ],
    [
        'heat.bar_in_bath',
        [
            'width_mm' => 1,
            'height_mm' => 2000,
            'conductivity_melt_w_mk' => 500,
            'specific_heat_melt_j_gk' => 0.1,
            'h_w_m2k' => 1e-9,
        ],
    ],
    ['heat.mould_contact', ['cycles' => 200, 'mould_thickness_mm' => 500, 'wall_mm' => 0.01]],
]);

it('answers every line of a batch, whatever is wrong with one', function (): void {
    $lines = [
        '{"calc":"vacuum.atmosphere","input":{"altitude_m":0}}',
        'not json',
        '{"calc":["x"],"input":{}}',
        '{"calc":"charge.sheet","input":{"length_mm":1e308}}',
        '[]',
        '{"calc":"vacuum.atmosphere","input":{"altitude_m":100}}',
        "{\"calc\":\"quantity.parse\",\"input\":{\"text\":\"\xff\"}}",
    ];
    $process = proc_open(
        [PHP_BINARY, __DIR__.'/../bin/calc.php', '--batch'],
        [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
        $pipes,
    );
    fwrite($pipes[0], implode("\n", $lines)."\n");
    fclose($pipes[0]);
    $answers = explode("\n", trim((string) stream_get_contents($pipes[1])));
    expect($answers)->toHaveCount(count($lines))->and(proc_close($process))->toBe(0);
    foreach ($answers as $answer) {
        expect(json_decode($answer, true))->toBeArray()->not->toBe([]);
    }
});
