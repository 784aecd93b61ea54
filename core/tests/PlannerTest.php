<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

/** @return array<string, mixed> */
function sheetPlan(array $over = []): array
{
    $input = array_replace_recursive([
        'polymer' => 'HDPE',
        'product' => ['length_mm' => 600, 'width_mm' => 450, 'thickness_mm' => 8, 'thickness_tolerance_mm' => 0.9],
        'machine' => [
            'name' => 'Anvil',
            'heater_kw' => 3,
            'platen_kj_k' => 18,
            'loss_kw' => 0.3,
            'max_c' => 220,
            'bed_length_mm' => 700,
            'bed_width_mm' => 500,
        ],
    ], $over);

    return calculate('plan.compression', $input);
}

it('plans by what was moved, then the recipe, the product and the library, and says which', function (): void {
    $plan = sheetPlan([
        'recipe' => ['allowance_pct' => 7, 'platen_c' => 190, 'thickness_mm' => 6],
        'recipe_name' => 'recipe, version 3',
        'settings' => ['platen_c' => 195],
    ]);
    $by = array_column($plan['settings'], null, 'name');
    expect($by['platen_c'])->toMatchArray([
        'value' => 195,
        'origin' => 'set here',
        'low' => 165,
        'target' => 185,
        'high' => 210,
        'unit' => '°C',
    ])
        ->and($by['allowance_pct'])->toMatchArray(['value' => 7, 'origin' => 'recipe, version 3'])
        ->and($by['thickness_mm'])->toMatchArray(['value' => 6, 'origin' => 'recipe, version 3'])
        ->and($by['length_mm']['origin'])
        ->toBe('the product')
        ->and($by['soak_min']['origin'])
        ->toBe('usual practice')
        ->and($by['bulk_density_g_cm3']['origin'])
        ->toBe('polymer library')
        ->and($plan['targets']['nominal_mm'])->toBe(6)->and($plan['targets']['platen_ready_c'])->toBe(190);
});

it('weighs and times as the single calculations do', function (): void {
    $plan = sheetPlan();
    $sheet = (new Registry)->run(
        'charge.sheet',
        ['length_mm' => 600, 'width_mm' => 450, 'thickness_mm' => 8, 'polymer' => 'HDPE'],
    );
    $cycle = (new Registry)->run('heat.press_cycle', $plan['heat_input']);
    expect($plan['charge']['mass_g'])->toEqualWithDelta($sheet->charge_mass_g, 0.05)
        ->and($plan['charge']['tolerance_g'])
        ->toEqualWithDelta(0.01 * $sheet->charge_mass_g, 0.05)
        ->and($plan['timers'][0]['minutes'])
        ->toEqualWithDelta($cycle->heat_min + 3, 0.01)
        ->and($plan['timers'][1]['minutes'])
        ->toEqualWithDelta($cycle->cool_min, 0.01)
        ->and($plan['targets']['heat_min'])->toBe($plan['timers'][0]['minutes']);
});

it('lets the way of weighing set the target', function (): void {
    $by = array_column(
        sheetPlan(['settings' => ['shop_kg_per_mm' => 0.27]])['weighing']['schools'],
        'charge_mass_g',
        'id',
    );
    foreach (['true_density', 'as_water', 'shop_rule'] as $method) {
        $plan = sheetPlan(['settings' => ['shop_kg_per_mm' => 0.27], 'charge_method' => $method]);
        expect($plan['targets']['charge_mass_g'])->toEqualWithDelta($by[$method], 0.05)
            ->and($plan['charge']['method'])
            ->toBe($method);
    }
    expect(static fn (): array => sheetPlan(['charge_method' => 'shop_rule']))->toThrow(
        static fn (InputError $e) => expect($e->field)->toBe('charge_method'),
    );
    // Light charges are held to the scale, not to a hundredth.
    expect(
        sheetPlan(['product' => ['length_mm' => 100, 'width_mm' => 80, 'thickness_mm' => 2]])['charge']['tolerance_g'],
    )->toBe(2);
});

it('takes no unknown press for an ideal one', function (): void {
    $unknown = [
        'machine' => ['heater_kw' => null, 'platen_kj_k' => null, 'bed_length_mm' => null],
        'cold' => ['name' => 'Pond'],
    ];
    $plan = sheetPlan($unknown);
    expect(array_column($plan['unknowns'], 'fact'))->toBe([
        'heaters and platens of the hot press',
        'platens of the cold press',
        'bed of the hot press',
    ])
        ->and($plan['explanation'])->toContain('at the very least')->and($plan['heat_rule'])->toBe('physics');
    // With a rule of the shop's own that is the default until the press is known, and physics still stands beside it.
    $rule = sheetPlan(array_replace_recursive(
        $unknown,
        ['machine' => ['heat_min_per_mm' => 3.5, 'cool_min_per_mm' => 4.0]],
    ));
    expect($rule['heat_rule'])->toBe('shop_rule')
        ->and($rule['targets']['heat_min'])
        ->toBe(28)
        ->and($rule['targets']['cool_min'])
        ->toBe(32)
        ->and(array_column($rule['timing']['rules'], 'id'))
        ->toBe(['shop_rule', 'physics']);
    expect(sheetPlan(['machine' => ['heat_min_per_mm' => 3.5, 'cool_min_per_mm' => 4.0]])['heat_rule'])->toBe('physics')
        ->and(
            sheetPlan(array_replace_recursive(
                $unknown,
                ['heat_rule' => 'physics', 'machine' => ['heat_min_per_mm' => 3.5, 'cool_min_per_mm' => 4.0]],
            ))['heat_rule'],
        )->toBe('physics');
});

it('keeps factors for heating and for cooling apart', function (): void {
    $plain = sheetPlan()['targets'];
    $heat = sheetPlan(['settings' => ['heat_factor' => 1.5]])['targets'];
    $cool = sheetPlan(['settings' => ['cool_factor' => 1.5]])['targets'];
    expect($heat['heat_min'] - 3)->toEqualWithDelta(1.5 * ($plain['heat_min'] - 3), 0.02)
        ->and($heat['cool_min'])
        ->toBe($plain['cool_min'])
        ->and($cool['cool_min'])
        ->toEqualWithDelta(1.5 * $plain['cool_min'], 0.02)
        ->and($cool['heat_min'])
        ->toBe($plain['heat_min']);
});

it('says by name what this press cannot do', function (array $over, string $id, string $state): void {
    expect(array_column(sheetPlan($over)['checks'], 'state', 'id')[$id])->toBe($state);
})->with([
    'fits' => [[], 'bed', 'ok'],
    'fits turned' => [['product' => ['length_mm' => 450, 'width_mm' => 600]], 'bed', 'ok'],
    'too long' => [['product' => ['length_mm' => 720]], 'bed', 'block'],
    'too wide with its trim' => [['settings' => ['trim_mm' => 30]], 'bed', 'block'],
    'the cold bed is smaller' => [
        ['cold' => ['name' => 'Pond', 'bed_length_mm' => 500, 'bed_width_mm' => 500]],
        'cold_bed',
        'block',
    ],
    'too hot' => [['machine' => ['max_c' => 180]], 'platen', 'block'],
    'over its frame' => [['settings' => ['frame_depth_mm' => 10]], 'frame', 'warn'],
    'in its frame' => [['settings' => ['frame_depth_mm' => 60]], 'frame', 'ok'],
]);

it('refuses a plan by the field at fault', function (array $over, string $field): void {
    expect(static fn (): array => sheetPlan($over))->toThrow(
        static fn (InputError $e) => expect($e->field)->toBe($field),
    );
})->with([
    [['settings' => ['platen_c' => 'hot']], 'settings.platen_c'],
    [['polymer' => 'NOSUCH'], 'polymer'],
    [['heat_rule' => 'guess'], 'heat_rule'],
    [['pump_school' => 'never'], 'pump_school'],
    [['settings' => ['pump_every_min' => 0]], 'settings.pump_every_min'],
    [['settings' => ['cool_factor' => -1]], 'settings.cool_factor'],
    [['product' => ['thickness_tolerance_mm' => null]], 'settings.thickness_tolerance_mm'],
    [['product' => ['length_mm' => null]], 'settings.length_mm'],
    [['polymer' => 'PVC-U'], 'polymer'],
    [['machine' => ['heater_kw' => -1]], 'machine.heater_kw'],
]);

it('answers with every number that its procedure names', function (): void {
    $procedure = shipped('compression');
    $procedure->checkPlan(sheetPlan(['pump_school' => 'watch_gauge'])['targets']);
    expect(array_diff($procedure->body['plan'], array_keys(sheetPlan()['targets'])))->toBe([]);
});
