<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;

function check(array $over = []): object
{
    return (new Registry)->run('safety.check', array_replace_recursive([
        'process' => 'compression',
        'lots' => [['polymer' => 'HDPE']],
        'settings' => ['set_c' => 185],
        'answers' => ['people_protected' => true, 'air_moving' => true],
    ], $over));
}

it('lets a sound run start', function (): void {
    $result = check();
    expect($result->blocks)->toBe([])
        ->and($result->required_ppe)
        ->toContain('hot gloves')
        ->and($result->cautions)->not
        ->toBeEmpty()
        ->and(implode(' ', $result->cautions))
        ->toContain('local codes');
});

it('takes film of nobody knows what for no production material, and says what may be done instead', function (string $form): void {
    $block = check(['process' => 'extrusion', 'lots' => [['polymer' => 'UNKNOWN', 'form' => $form]]])->blocks[0];
    expect($block->id)->toBe('unidentified_polymer')
        ->and($block->who_may_override)->toBe('nobody')
        ->and($block->because)->toContain('film of nobody knows what')
        ->and($block->do)->toContain('no production material')->toContain('one polymer, densify and dry that');
})->with(['film', 'densified film']);

it('lets no loose film into a barrel, whatever it is of', function (): void {
    $of = static fn (string $form): array => array_column(check([
        'process' => 'extrusion', 'lots' => [['polymer' => 'LDPE', 'form' => $form]],
    ])->blocks, 'do', 'id');
    expect($of('film')['form_unfit'] ?? '')->toContain('Densify and dry it first')
        ->and($of('densified film'))->not->toHaveKey('form_unfit')
        ->and($of('item')['form_unfit'] ?? '')->toContain('Shred it first');
});

it('blocks by name, and says who may override', function (array $over, string $id, string $who): void {
    $found = array_values(array_filter(check($over)->blocks, static fn ($b): bool => $b->id === $id));
    expect($found)->toHaveCount(1)
        ->and($found[0]->who_may_override)
        ->toBe($who)
        ->and($found[0]->because)->not
        ->toBeEmpty()
        ->and($found[0]->do)->not
        ->toBeEmpty();
})->with([
    'unknown polymer' => [['lots' => [['polymer' => 'UNKNOWN']]], 'unidentified_polymer', 'nobody'],
    'PVC' => [['lots' => [['polymer' => 'PVC-U']]], 'pvc', 'nobody'],
    'above the ceiling' => [['settings' => ['set_c' => 276]], 'above_ceiling', 'lead'],
    'no air' => [['answers' => ['air_moving' => false]], 'no_air', 'nobody'],
    'nobody protected' => [['answers' => ['people_protected' => false]], 'people_unprotected', 'nobody'],
    'moist ABS' => [['lots' => [['polymer' => 'ABS']], 'settings' => ['set_c' => 200]], 'moist', 'lead'],
    'source on trial' => [
        ['lots' => [['polymer' => 'HDPE', 'source_state' => 'on_trial']]],
        'source_not_accepted',
        'lead',
    ],
    'small trial passed' => [
        ['lots' => [['polymer' => 'HDPE', 'source_state' => 'small_trial_passed']]],
        'source_not_accepted',
        'lead',
    ],
    'POM in an open press' => [
        ['lots' => [['polymer' => 'POM']], 'settings' => ['set_c' => 190]],
        'process_unfit',
        'nobody',
    ],
    'PA6 in an open press' => [
        ['lots' => [['polymer' => 'PA6', 'dry_state' => 'dry']], 'settings' => ['set_c' => 240]],
        'process_unfit',
        'lead',
    ],
    'PVC after POM in a barrel' => [
        [
            'process' => 'injection',
            'lots' => [['polymer' => 'PVC-U']],
            'settings' => ['set_c' => 130],
            'machine' => ['last_polymer' => 'POM'],
        ],
        'dangerous_barrel',
        'nobody',
    ],
    'HDPE after PVC in a barrel' => [
        ['process' => 'extrusion', 'machine' => ['last_polymer' => 'PVC-U']],
        'dangerous_barrel',
        'nobody',
    ],
    'two that must not meet' => [
        ['lots' => [['polymer' => 'HDPE'], ['polymer' => 'PVC-U']]],
        'dangerous_mix',
        'nobody',
    ],
    'over what the machine may' => [['machine' => ['name' => 'Anvil', 'max_c' => 180]], 'machine_limit', 'nobody'],
]);

it('opens for trials of the size that a source has earned', function (string $state, string $scale, bool $open): void {
    $ids = array_column(
        check(['lots' => [['polymer' => 'HDPE', 'source_state' => $state]], 'scale' => $scale])->blocks,
        'id',
    );
    expect(in_array('source_not_accepted', $ids, true))->toBe(! $open);
})->with([
    ['on_trial', 'small_trial', true],
    ['on_trial', 'full_trial', false],
    ['small_trial_passed', 'full_trial', true],
    ['small_trial_passed', 'production', false],
    ['accepted', 'production', true],
]);

it('keeps standing what nobody may override, whoever says so', function (): void {
    $result = check(['lots' => [['polymer' => 'UNKNOWN']], 'settings' => ['set_c' => 400]]);
    expect(array_column(
        $result->standing(['unidentified_polymer', 'above_ceiling']),
        'id',
    ))->toBe(['unidentified_polymer']);
    expect(check(['settings' => ['set_c' => 276]])->standing(['above_ceiling']))->toBe([]);
});

it('cautions outside the usual window and refuses nonsense by name', function (): void {
    expect(implode(' ', check(['settings' => ['set_c' => 150]])->cautions))->toContain('may stay cold')
        ->and(implode(' ', check(['settings' => ['set_c' => 230]])->cautions))
        ->toContain('over the usual window');
    expect(static fn () => check(['lots' => [['polymer' => 'NOSUCH']]]))->toThrow(
        fn (InputError $e) => expect($e->field)->toBe('lots.0.polymer'),
    );
    expect(static fn () => check(['process' => 'baking']))->toThrow(
        fn (InputError $e) => expect($e->field)->toBe('process'),
    );
});

it('lets nothing hot in which PVC was found, and nobody may say otherwise', function () {
    $check = fn (array $found) => array_column(json_decode((string) json_encode((new Dithermic\Core\Calculator\Registry)->run('safety.check', [
        'process' => 'compression',
        'lots' => [['polymer' => 'HDPE', 'label' => 'lot L-1', 'found' => $found]],
        'machine' => ['name' => 'Anvil'],
        'settings' => ['set_c' => 185],
        'answers' => ['people_protected' => true, 'air_moving' => true],
    ])->blocks), true), 'who_may_override', 'id');
    expect($check(['PVC-U']))->toBe(['contaminated' => 'nobody'])
        ->and($check(['PP', 'earth']))
        ->toBe([])
        ->and($check([]))
        ->toBe([]);
});

const GUARDED = [
    'people_protected' => true,
    'air_moving' => true,
    'guard_closed' => true,
    'nozzle_seated' => true,
    'pressure_relieved' => true,
];

/** @return array<string, string> who may override, by block */
function stops(array $over): array
{
    return array_column(
        array_map(get_object_vars(...), check($over + ['answers' => GUARDED])->blocks),
        'who_may_override',
        'id',
    );
}

it('knows vinyl by any of its names, and what nobody knows stops everything hot', function (
    string $process,
    string $found,
): void {
    $set = $process === 'vacuum_forming' ? 146 : 205;
    $polymer = $process === 'vacuum_forming' ? 'HIPS' : 'HDPE';
    $stops = stops([
        'process' => $process,
        'lots' => [['polymer' => $polymer, 'found' => [$found]]],
        'settings' => ['set_c' => $set],
    ]);
    expect($stops)->not->toBe([])->and(array_values($stops)[0])->toBe('nobody');
})->with(['injection', 'extrusion', 'compression', 'vacuum_forming'])
    ->with([
        'PVC',
        'pvc',
        'vinyl',
        'Vinyl, clear',
        'soft PVC',
        'uPVC',
        'PVC-P',
        'pvc-u',
        'UNKNOWN',
        'unknown',
        'OTHER',
        'thermoset',
        'something green',
        '?',
        'polyvinyl chloride',
    ]);

it('stops a barrel for metal and grit, and warns a press', function (string $found): void {
    $lot = ['lots' => [['polymer' => 'HDPE', 'found' => [$found]]]];
    expect(stops($lot + ['process' => 'injection', 'settings' => ['set_c' => 215]]))->toBe(['metal' => 'nobody'])
        ->and(stops($lot))
        ->toBe([])
        ->and(implode(' ', check($lot)->cautions))
        ->toContain('scratches plates');
})->with(['metal', 'a steel screw', 'copper wire', 'sand', 'glass']);

it('judges what was found and what was last in by their own ceilings', function (
    string $what,
    string $polymer,
    string $lot,
    float $set,
    string $who,
): void {
    $stops = stops(['process' => 'injection', 'settings' => ['set_c' => $set]] + ($what === 'found'
        ? ['lots' => [['polymer' => $lot, 'dry_state' => 'dry', 'found' => [$polymer]]]]
        : ['lots' => [['polymer' => $lot, 'dry_state' => 'dry']], 'machine' => ['last_polymer' => $polymer]]));
    expect($stops['above_ceiling'] ?? null)->toBe($who);
})->with(['found', 'last'])->with([
    ['POM', 'ABS', 235, 'nobody'],
    ['POM', 'PC', 295, 'nobody'],
    ['POM', 'PP', 260, 'nobody'],
    ['EVA', 'PC', 295, 'nobody'],
    ['TPU', 'PET', 280, 'nobody'],
    ['PLA', 'PET', 280, 'lead'],
    ['HDPE', 'PC', 295, 'lead'],
]);

it('lets no pair of polymers through a barrel over the ceiling of either or against a solid plug', function (): void {
    $library = new Dithermic\Core\Material\PolymerLibrary;
    foreach ($library->all() as $new => $polymer) {
        $melt = $polymer->neverHot() ? null : $polymer->meltWindow();
        if ($melt === null) {
            continue;
        }
        foreach ($library->all() as $old => $before) {
            $stops = stops([
                'process' => 'injection',
                'lots' => [['polymer' => $new, 'dry_state' => 'dry']],
                'machine' => ['last_polymer' => $old],
                'settings' => ['set_c' => $melt->typical],
            ]);
            $may = ! $before->neverHot() && $polymer
                ->dangerWith($before) === null && $melt->typical <= $before
                ->ceiling() && $melt->typical >= $before
                ->meltWindow()->min;
            expect($stops === [])->toBe($may, "{$old} before {$new}");
        }
    }
});

it('lets no platen follow PVC, whatever goes on it', function (): void {
    expect(stops([
        'lots' => [['polymer' => 'ABS', 'dry_state' => 'dry']],
        'machine' => ['last_polymer' => 'PVC-U'],
        'settings' => ['set_c' => 200],
    ]))->toHaveKey('pvc')
        ->and(stops(['lots' => [['polymer' => 'OTHER']]]))
        ->toBe(['unidentified_polymer' => 'nobody'])
        ->and(stops(['lots' => [['polymer' => 'vinyl']]]))
        ->toBe(['pvc' => 'nobody'])
        ->and(stops(['machine' => ['last_polymer' => 'UNKNOWN']]))->toBe(['unidentified_polymer' => 'nobody']);
});

it('pushes nothing solid', function (string $polymer, float $set, bool $stopped): void {
    $stops = stops([
        'process' => 'extrusion',
        'lots' => [['polymer' => $polymer, 'dry_state' => 'dry']],
        'settings' => ['set_c' => $set],
    ]);
    expect(($stops['too_cold'] ?? null) === 'nobody')->toBe($stopped);
})->with([['PC', 150, true], ['PS', 20, true], ['PA66', 200, true], ['HDPE', 170, false], ['HDPE', 169, true]]);

it('judges a former by its sheet, and its heater by what that does to the sheet', function (): void {
    $former = static fn (array $settings): array => stops([
        'process' => 'vacuum_forming',
        'lots' => [['polymer' => 'HIPS', 'form' => 'sheet']],
        'settings' => $settings,
    ]);
    expect($former(['set_c' => 146]))->toBe([])->and($former(['set_c' => 259]))->toHaveKey('sheet_too_hot', 'lead')
        ->and($former(['set_c' => 146, 'heater_c' => 450, 'thickness_mm' => 1.5]))
        ->toBe([])
        ->and($former(['set_c' => 146, 'heater_c' => 600, 'thickness_mm' => 6]))
        ->toBe(['sheet_window' => 'lead'])
        ->and($former(['set_c' => 146, 'heater_c' => 80, 'thickness_mm' => 3]))->toBe(['sheet_window' => 'lead']);
    $tank = static fn (mixed $rated): array => stops([
        'process' => 'vacuum_forming',
        'lots' => [['polymer' => 'HIPS']],
        'settings' => ['set_c' => 146],
        'machine' => ['tank_rated_kpa' => $rated],
    ]);
    expect($tank(false))->toBe(['tank' => 'nobody'])
        ->and($tank(50))
        ->toBe(['tank' => 'nobody'])
        ->and($tank(200))
        ->toBe([])
        ->and($tank(null))
        ->toBe([])
        ->and($tank(true))
        ->toBe([]);
    expect(fn () => $tank('yes'))->toThrow(fn (InputError $e) => expect($e->field)->toBe('machine.tank_rated_kpa'));
});

it('knows charge, stock, form and size', function (array $over, array $stops): void {
    expect(stops($over))->toBe($stops);
})->with([
    'all as it should be' => [
        [
            'lots' => [['polymer' => 'HDPE', 'form' => 'flake', 'held_g' => 5000]],
            'charge' => [
                'needed_g' => 2165,
                'tolerance_g' => 22,
                'weighed_g' => 2170,
                'length_mm' => 600,
                'width_mm' => 450,
            ],
            'machine' => ['bed_length_mm' => 500, 'bed_width_mm' => 650],
        ],
        [],
    ],
    'a charge for another sheet' => [
        ['charge' => ['needed_g' => 5415, 'tolerance_g' => 54, 'weighed_g' => 2165]],
        ['charge_mass' => 'lead'],
    ],
    'a lot that holds 2 g' => [
        ['lots' => [['polymer' => 'HDPE', 'held_g' => 2]], 'charge' => ['needed_g' => 2165]],
        ['stock_short' => 'nobody'],
    ],
    'whole items' => [['lots' => [['polymer' => 'HDPE', 'form' => 'item']]], ['form_unfit' => 'nobody']],
    'a sheet into a barrel' => [
        [
            'process' => 'injection',
            'settings' => ['set_c' => 215],
            'lots' => [['polymer' => 'HDPE', 'form' => 'sheet']],
        ],
        ['form_unfit' => 'nobody'],
    ],
    'larger than the bed' => [
        [
            'charge' => ['length_mm' => 700, 'width_mm' => 450],
            'machine' => ['bed_length_mm' => 650, 'bed_width_mm' => 500],
        ],
        ['too_large' => 'nobody'],
    ],
    'two lots that hold enough together' => [
        [
            'lots' => [['polymer' => 'HDPE', 'held_g' => 1200], ['polymer' => 'HDPE', 'held_g' => 1200]],
            'charge' => ['needed_g' => 2165],
        ],
        [],
    ],
]);

it('asks of a barrel that guard, nozzle and pressure are seen to, and of a press not', function (): void {
    foreach ([
        'guard_closed' => 'guard_open',
        'nozzle_seated' => 'nozzle_open',
        'pressure_relieved' => 'pressure_standing',
    ] as $answer => $block) {
        $missing = check([
            'process' => 'injection',
            'settings' => ['set_c' => 215],
            'answers' => [$answer => false] + GUARDED,
        ])->blocks;
        expect(array_column($missing, 'id'))->toBe([$block])->and($missing[0]->who_may_override)->toBe('nobody');
    }
    expect(array_column(check()->acknowledgements, 'id'))->toBe(['people_protected', 'air_moving'])
        ->and(array_column(check(['process' => 'extrusion', 'settings' => ['set_c' => 200]])->acknowledgements, 'id'))
        ->toContain('guard_closed');
});

it('weighs clamp, load, dwell and being left alone', function (array $over, array $stops): void {
    expect(stops($over))->toBe($stops);
})->with([
    'a clamp that is too weak' => [
        [
            'process' => 'injection',
            'settings' => ['set_c' => 215],
            'machine' => ['clamp_kn' => 50],
            'mould' => ['projected_area_cm2' => 30, 'cavity_bar' => 200],
        ],
        ['clamp' => 'lead'],
    ],
    'a clamp that holds' => [
        [
            'process' => 'injection',
            'settings' => ['set_c' => 215],
            'machine' => ['clamp_kn' => 73],
            'mould' => ['projected_area_cm2' => 30, 'cavity_bar' => 200],
        ],
        [],
    ],
    'too heavy for one' => [['settings' => ['set_c' => 185, 'load_kg' => 40]], ['heavy' => 'nobody']],
    'not for two' => [['settings' => ['set_c' => 185, 'load_kg' => 40], 'answers' => ['people' => 2] + GUARDED], []],
    'nor with a hoist' => [
        ['settings' => ['set_c' => 185, 'load_kg' => 40], 'answers' => ['lifting_gear' => true] + GUARDED],
        [],
    ],
    'a melt that stood too long' => [
        [
            'process' => 'injection',
            'lots' => [['polymer' => 'POM', 'dry_state' => 'dry']],
            'settings' => ['set_c' => 203, 'minutes_hot' => 60],
        ],
        ['dwell' => 'lead'],
    ],
    'left hot alone' => [['answers' => ['unattended' => true] + GUARDED], ['unattended' => 'lead']],
]);

it('sends nobody into formaldehyde with a mask', function (): void {
    $pom = check([
        'process' => 'injection',
        'lots' => [['polymer' => 'POM', 'dry_state' => 'dry']],
        'settings' => ['set_c' => 203],
        'answers' => GUARDED,
    ]);
    expect(implode(' ', $pom->required_ppe))->not->toContain('mask')
        ->and(implode(' ', $pom->cautions))
        ->toContain('leave the room');
    $sag = check([
        'process' => 'vacuum_forming',
        'lots' => [['polymer' => 'HIPS']],
        'settings' => ['set_c' => 146, 'sag_mm' => 60, 'clearance_mm' => 40],
        'answers' => ['alone' => true] + GUARDED,
    ]);
    expect(implode(' ', $sag->cautions))->toContain('sags 60 mm')->toContain('tell somebody');
});

it('asks for a mask where its filter holds what comes out, and for none where it does not', function (): void {
    $masked = static fn (string $polymer): bool => str_contains(
        implode(' ', check(['lots' => [['polymer' => $polymer]]])->required_ppe),
        'mask for organic vapour',
    );
    expect(array_values(array_filter(
        array_map(static fn ($p): string => $p->code, (new PolymerLibrary)->all()),
        $masked,
    )))->toBe(['PS', 'HIPS', 'ABS', 'ASA', 'SAN', 'PMMA', 'PC']);
    expect(check()->required_ppe)->toBe(['eye protection', 'hot gloves', 'long sleeves', 'closed shoes'])
        ->and(check(['process' => 'injection'])->required_ppe)->toContain('face shield at the nozzle');
});

/** Gates stand from their edge on: each pair is the last that is let through and the first that is not. */
it('stands at its edge and no sooner', function (array $base, array $last, array $first, string $id): void {
    expect(stops(array_replace_recursive($base, $last)))->not->toHaveKey($id)
        ->and(stops(array_replace_recursive($base, $first)))->toHaveKey($id);
})->with([
    'ceiling' => [[], ['settings' => ['set_c' => 275]], ['settings' => ['set_c' => 275.1]], 'above_ceiling'],
    'ceiling of what was found' => [
        ['process' => 'injection', 'lots' => [['polymer' => 'PC', 'dry_state' => 'dry', 'found' => ['HDPE']]]],
        ['settings' => ['set_c' => 275]],
        ['settings' => ['set_c' => 275.1]],
        'above_ceiling',
    ],
    'what the machine may' => [
        ['machine' => ['max_c' => 180]],
        ['settings' => ['set_c' => 180]],
        ['settings' => ['set_c' => 180.1]],
        'machine_limit',
    ],
    'clamp' => [
        ['process' => 'injection', 'settings' => ['set_c' => 215], 'mould' => ['projected_area_cm2' => 30]],
        ['machine' => ['clamp_kn' => 72], 'mould' => ['cavity_bar' => 200]],
        ['machine' => ['clamp_kn' => 71.9], 'mould' => ['cavity_bar' => 200]],
        'clamp',
    ],
    'clamp of a mould of which nobody knows the pressure' => [
        ['process' => 'injection', 'settings' => ['set_c' => 215], 'machine' => ['clamp_kn' => 10]],
        ['mould' => ['projected_area_cm2' => 30]],
        ['mould' => ['projected_area_cm2' => 30, 'cavity_bar' => 200]],
        'clamp',
    ],
    'clamp of a mould of which nobody knows the shadow' => [
        ['process' => 'injection', 'settings' => ['set_c' => 215], 'machine' => ['clamp_kn' => 10]],
        ['mould' => ['cavity_bar' => 200]],
        ['mould' => ['projected_area_cm2' => 30, 'cavity_bar' => 200]],
        'clamp',
    ],
    'tank' => [
        ['process' => 'vacuum_forming', 'lots' => [['polymer' => 'HIPS']], 'settings' => ['set_c' => 146]],
        ['machine' => ['tank_rated_kpa' => 100.4]],
        ['machine' => ['tank_rated_kpa' => 100.2]],
        'tank',
    ],
    'tank of a former only' => [
        ['machine' => ['tank_rated_kpa' => false]],
        [],
        ['process' => 'vacuum_forming'],
        'tank',
    ],
    'sheet' => [
        ['process' => 'vacuum_forming', 'lots' => [['polymer' => 'HIPS']]],
        ['settings' => ['set_c' => 182]],
        ['settings' => ['set_c' => 182.1]],
        'sheet_too_hot',
    ],
    'one pair of hands' => [
        [],
        ['settings' => ['load_kg' => 25]],
        ['settings' => ['load_kg' => 25.1]],
        'heavy',
    ],
    'bed, along' => [
        ['machine' => ['bed_length_mm' => 650, 'bed_width_mm' => 500]],
        ['charge' => ['length_mm' => 650, 'width_mm' => 500]],
        ['charge' => ['length_mm' => 650.1, 'width_mm' => 500]],
        'too_large',
    ],
    'bed, across' => [
        ['machine' => ['bed_length_mm' => 650, 'bed_width_mm' => 500]],
        ['charge' => ['length_mm' => 500, 'width_mm' => 650]],
        ['charge' => ['length_mm' => 500.1, 'width_mm' => 600]],
        'too_large',
    ],
    'bed of which one side is known' => [
        ['charge' => ['length_mm' => 9000, 'width_mm' => 450]],
        ['machine' => ['bed_length_mm' => 650]],
        ['machine' => ['bed_length_mm' => 650, 'bed_width_mm' => 500]],
        'too_large',
    ],
    'stock' => [
        ['charge' => ['needed_g' => 2165]],
        ['lots' => [['held_g' => 2165]]],
        ['lots' => [['held_g' => 2164.9]]],
        'stock_short',
    ],
    'stock that nobody has weighed' => [
        ['charge' => ['needed_g' => 2165]],
        ['lots' => [['held_g' => 1], ['polymer' => 'HDPE']]],
        ['lots' => [['held_g' => 1], ['polymer' => 'HDPE', 'held_g' => 1]]],
        'stock_short',
    ],
    'charge, too little' => [
        ['charge' => ['needed_g' => 2165, 'tolerance_g' => 20]],
        ['charge' => ['weighed_g' => 2145]],
        ['charge' => ['weighed_g' => 2144.9]],
        'charge_mass',
    ],
    'charge, too much' => [
        ['charge' => ['needed_g' => 2165]],
        ['charge' => ['weighed_g' => 2165]],
        ['charge' => ['weighed_g' => 2165.1]],
        'charge_mass',
    ],
    'solid in the barrel' => [
        ['process' => 'injection'],
        ['settings' => ['set_c' => 180]],
        ['settings' => ['set_c' => 179.9]],
        'too_cold',
    ],
]);

it('says the way out: what is missing goes in, what is too much comes off', function (): void {
    $do = static fn (float $weighed): string => check([
        'charge' => ['needed_g' => 2165, 'weighed_g' => $weighed],
    ])->blocks[0]->do;
    expect($do(2100))->toContain('Weigh in what is missing')
        ->and($do(2200))->toContain('Take off what is too much')
        ->and(check()->explanation)->toBe('Nothing stops this run.')
        ->and(check(['answers' => ['air_moving' => false]])->explanation)
        ->toBe('Stopped: Nobody has confirmed that the air is moving.');
});

it('cautions past the edges of the usual window, and not at them', function (float $set, ?string $says): void {
    $said = implode(' ', check(['settings' => ['set_c' => $set]])->cautions);
    foreach (['may stay cold', 'over the usual window'] as $caution) {
        expect(str_contains($said, $caution))->toBe($caution === $says);
    }
})->with([[165, null], [164.9, 'may stay cold'], [210, null], [210.1, 'over the usual window']]);

it('says of every pair how they go together, once, and of none what is known to be well', function (): void {
    $of = static fn (string ...$codes): string => implode(' ', check(['lots' => array_map(
        static fn (string $code): array => ['polymer' => $code],
        $codes,
    )])->cautions);
    expect($of('HDPE', 'PP'))->toContain('HDPE with PP: ')->not->toContain('nothing is known')
        ->and($of('PC', 'ABS'))->not->toContain('PC with')->not->toContain('ABS with')
        ->and($of('HDPE', 'PC'))->toContain('HDPE with PC: nothing is known')
        ->and($of('HDPE', 'HDPE'))->not->toContain('HDPE with HDPE')
        // What must not meet, or must stay cold, is stopped: nobody is told to try a little.
        ->and($of('PA6', 'POM'))->not->toContain('with POM')
        ->and($of('HDPE', 'PVC-U'))->not->toContain('with PVC-U')
        ->and($of('HDPE', 'PC', 'POM'))
        ->toContain('HDPE with PC')->toContain('HDPE with POM')->toContain('PC with POM');
});

it('warns a press of hands between platens, and a former of what its sheet comes to lie on', function (): void {
    $said = static fn (array $over): string => implode(' ', check($over)->cautions);
    expect($said([]))->toContain('Never reach between them')
        ->and($said(['process' => 'extrusion']))->not->toContain('Never reach between them');
    $sheet = ['process' => 'vacuum_forming', 'lots' => [['polymer' => 'HIPS']]];
    $sags = static fn (?float $sag, ?float $under): bool => str_contains(
        $said($sheet + ['settings' => ['set_c' => 146, 'sag_mm' => $sag, 'clearance_mm' => $under]]),
        'it comes to lie on',
    );
    expect([$sags(60, 59.9), $sags(60, 60), $sags(null, 40), $sags(60, null)])->toBe([true, false, false, false]);
});

it('stops what was found in a lot by what it does to the lot, and to what was in the machine', function (): void {
    $found = static fn (string $lot, string $found, ?string $last = null): array => array_column(check([
        'process' => 'injection',
        'lots' => [['polymer' => $lot, 'dry_state' => 'dry', 'found' => [$found]]],
        'settings' => ['set_c' => 215],
        'machine' => ['last_polymer' => $last],
        'answers' => GUARDED,
    ])->blocks, 'because', 'id');
    expect($found('POM', 'PA6')['contaminated'] ?? '')->toStartWith('PA6 was found in')
        ->and($found('POM', 'HDPE'))->not->toHaveKey('contaminated')
        ->and($found('HDPE', 'PA6', 'POM')['dangerous_barrel'] ?? '')->toContain('with PA6 (found in')
        ->and($found('HDPE', 'PP', 'POM'))->not->toHaveKey('dangerous_barrel')
        // PVC is stopped as PVC, whatever was in the barrel before.
        ->and($found('HDPE', 'PVC-U', 'POM'))->toHaveKey('contaminated')->not->toHaveKey('dangerous_barrel');
});

it('says with their figures what is wrong with bed, charge and stock', function (): void {
    $because = static fn (array $over): string => check($over)->blocks[0]->because;
    expect($because([
        'charge' => ['length_mm' => 700, 'width_mm' => 450],
        'machine' => ['name' => 'Anvil', 'bed_length_mm' => 650, 'bed_width_mm' => 500],
    ]))->toBe('700 × 450 mm do not fit the bed of Anvil (650 × 500 mm).')
        ->and($because(['charge' => ['needed_g' => 2165, 'weighed_g' => 2100]]))
        ->toBe('The charge weighs 2100 g and 2165 ± 0 g are needed.')
        ->and($because(['lots' => [['label' => 'L-0101', 'held_g' => 40]], 'charge' => ['needed_g' => 2165]]))
        ->toBe('L-0101 holds 40 g and the charge needs 2165 g.');
});

it('judges a heater only by a sheet that is known, of what is formed here', function (array $over): void {
    expect(stops(array_replace_recursive([
        'process' => 'vacuum_forming',
        'lots' => [['polymer' => 'HIPS', 'form' => 'sheet']],
        'settings' => ['set_c' => 146, 'heater_c' => 80],
    ], $over)))->not->toHaveKey('sheet_window');
})->with([
    'of no thickness' => [[]],
    'of no heater' => [['settings' => ['heater_c' => null, 'thickness_mm' => 3]]],
    'of what is not formed' => [['lots' => [['polymer' => 'POM']], 'settings' => ['thickness_mm' => 3]]],
]);
