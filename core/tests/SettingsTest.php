<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Settings\Origin;
use Dithermic\Core\Settings\RecommendResult;
use Dithermic\Core\Settings\SetPoint;

function recommended(array $input): RecommendResult
{
    $result = (new Registry)->run('settings.recommend', $input);
    assert($result instanceof RecommendResult);

    return $result;
}

function setPoint(RecommendResult $result, string $name): SetPoint
{
    return array_values(array_filter($result->settings, static fn (SetPoint $s): bool => $s->setting === $name))[0];
}

it('sets every window of every polymer in order and under its ceiling', function (string $process): void {
    $library = json_decode((string) file_get_contents(__DIR__.'/../data/polymers.json'), true)['polymers'];
    $seen = 0;
    foreach ($library as $polymer) {
        if (! is_array($polymer['process'][$process] ?? null) || isset($polymer['process'][$process]['why_not'])) {
            continue;
        }
        $seen++;
        $r = recommended([
            'process' => $process,
            'polymer' => $polymer['code'],
            'part' => ['thickness_mm' => 3],
            'machine' => ['zones' => 5],
        ]);
        foreach ($r->settings as $s) {
            expect($s->low)->toBeLessThanOrEqual($s->target, "{$polymer['code']} {$s->setting}")
                ->and($s->target)
                ->toBeLessThanOrEqual($s->high)
                ->and($s->origin)
                ->toBe(
                    str_ends_with($s->setting, '_bar') && $process === 'injection' ? Origin::Generic : Origin::Library,
                );
            str_ends_with(
                $s->setting,
                '_c',
            ) && expect($s->high)->toBeLessThanOrEqual($polymer['degradation_c']['ceiling']);
        }
        $zones = array_column($r->zone_profile, 'set_c');
        $rising = $zones;
        sort($rising);
        expect($zones)->toBe($rising)->toHaveCount(in_array($process, ['injection', 'extrusion'], true) ? 5 : 0);
    }
    expect($seen)->toBeGreaterThan(5);
})->with(['injection', 'extrusion', 'compression', 'vacuum_forming']);

it('puts a rule of the shop before the last good run, and that before the library', function (): void {
    $panel = ['process' => 'compression', 'polymer' => 'HDPE', 'part' => ['thickness_mm' => 8]];
    $run = ['last_good_run' => [['setting' => 'platen_c', 'target' => 188, 'because' => 'run 31']]];
    $rule = [
        'your_rules' => [[
            'setting' => 'platen_c',
            'target' => 180,
            'low' => 178,
            'high' => 182,
            'because' => 'a better face',
        ]],
    ];
    expect(setPoint(recommended($panel), 'platen_c')->target)->toBe(185.0)
        ->and(setPoint(recommended($panel + $run), 'platen_c'))->toMatchArray([
            'target' => 188.0,
            'origin' => Origin::LastGoodRun,
            'because' => 'run 31',
        ])
        ->and(setPoint(recommended($panel + $run + $rule), 'platen_c'))->toMatchArray([
            'low' => 178.0,
            'target' => 180.0,
            'high' => 182.0,
            'origin' => Origin::YourRule,
        ]);
    // What lies outside the usual window stands, and is said.
    $hot = recommended($panel + ['your_rules' => [['setting' => 'platen_c', 'target' => 225]]]);
    expect(setPoint($hot, 'platen_c')->target)->toBe(225.0)
        ->and(implode(' ', $hot->cautions))
        ->toContain('outside the usual 165 to 210 °C');
});

it('goes above no limit: machine, mould or the polymer\'s ceiling', function (): void {
    $clip = [
        'process' => 'injection',
        'polymer' => 'PA6',
        'part' => ['thickness_mm' => 2],
        'machine' => ['max_c' => 250],
        'mould' => ['max_bar' => 400, 'max_c' => 60],
        'your_rules' => [['setting' => 'melt_c', 'target' => 400]],
    ];
    $r = recommended($clip);
    expect(setPoint($r, 'melt_c')->target)->toBe(250.0)
        ->and(setPoint($r, 'injection_pressure_bar')->high)
        ->toBe(400.0)
        ->and(setPoint($r, 'hold_pressure_bar')->target)
        ->toBeLessThan(400.0)
        ->and(setPoint($r, 'mould_c')->high)
        ->toBe(60.0)
        ->and(implode(' ', $r->cautions))
        ->toContain('at least 600 bar is wanted and only 400 bar is allowed')
        ->toContain('dry it first');
    $hot = recommended(['machine' => []] + $clip);
    expect(setPoint($hot, 'melt_c')->target)->toBe(
        (float) (new Dithermic\Core\Material\PolymerLibrary)->get('PA6')->ceiling(),
    );
});

it('takes its times from the calculations that carry them', function (): void {
    $press = recommended(['process' => 'compression', 'polymer' => 'HDPE', 'part' => ['thickness_mm' => 8]]);
    $cycle = (new Registry)->run(
        'heat.press_cycle',
        ['polymer' => 'HDPE', 'thickness_mm' => 8, 'initial_c' => 20, 'platen_c' => 185],
    );
    expect(array_column($press->timers, 'seconds', 'timer')['heat'])->toEqualWithDelta(60 * $cycle->heat_min, 1e-9);
    $tray = recommended([
        'process' => 'vacuum_forming',
        'polymer' => 'HIPS',
        'part' => ['thickness_mm' => 1.5, 'area_draw_ratio' => 9],
        'machine' => ['heater_c' => 450],
    ]);
    expect(array_column($tray->timers, 'timer'))->toContain('heat')
        ->and(implode(' ', $tray->cautions))
        ->toContain('plug');
    // A heater that burns the face before the middle is warm gives no time, and says so.
    $thick = recommended([
        'process' => 'vacuum_forming',
        'polymer' => 'HIPS',
        'part' => ['thickness_mm' => 40],
        'machine' => ['heater_c' => 900],
    ]);
    expect($thick->timers)->toBe([])
        ->and(implode(' ', $thick->cautions))
        ->toContain('No time for this')
        ->and($thick->warnings)->not
        ->toBe([]);
});

it('refuses by name', function (array $input, string $field): void {
    try {
        recommended($input);
        $this->fail('was taken');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([
    'unknown polymer' => [
        ['process' => 'injection', 'polymer' => 'UNKNOWN', 'part' => ['thickness_mm' => 2]],
        'polymer',
    ],
    'PVC anywhere hot' => [
        ['process' => 'injection', 'polymer' => 'PVC-U', 'part' => ['thickness_mm' => 2]],
        'process',
    ],
    'a setting of another process' => [
        [
            'process' => 'injection',
            'polymer' => 'PP',
            'part' => ['thickness_mm' => 2],
            'your_rules' => [['setting' => 'platen_c', 'target' => 180]],
        ],
        'your_rules.0.setting',
    ],
    'a rule that contradicts itself' => [
        [
            'process' => 'injection',
            'polymer' => 'PP',
            'part' => ['thickness_mm' => 2],
            'your_rules' => [['setting' => 'melt_c', 'target' => 200, 'low' => 210]],
        ],
        'your_rules.0.target',
    ],
    'no thickness' => [['process' => 'injection', 'polymer' => 'PP', 'part' => []], 'part.thickness_mm'],
]);

it('hands out no time that overheats a sheet, for any polymer, thickness and heater', function (
    float $heater,
    int $sides,
): void {
    foreach ((new Dithermic\Core\Material\PolymerLibrary)->all() as $code => $polymer) {
        if (! $polymer->process('vacuum_forming')->has('sheet_upper_c')) {
            continue;
        }
        foreach ([1.5, 6.0] as $mm) {
            $given = [
                'process' => 'vacuum_forming',
                'polymer' => $code,
                'part' => ['thickness_mm' => $mm],
                'machine' => ['heater_c' => $heater, 'exchange' => 0.7, 'sides' => $sides],
            ];
            $answer = recommended($given);
            $times = array_column($answer->timers, 'seconds', 'timer');
            $sheet = (new Registry)->run(
                'heat.vacuum_sheet',
                [
                    'polymer' => $code,
                    'thickness_mm' => $mm,
                    'initial_c' => 20,
                    'ambient_c' => 20,
                    'heater_c' => $heater,
                    'exchange' => 0.7,
                    'sides' => $sides,
                ],
            );
            expect(isset($times['heat']))->toBe(
                $sheet->ready_s !== null && ($sheet->window_s ?? 0.0) >= 0,
                "{$code} {$mm}",
            )
                ->and($times['form_within'] ?? 1.0)
                ->toBeGreaterThan(0.0);
            if ($answer->hottest_heater_c !== null) {
                $cooler = recommended(
                    ['machine' => ['heater_c' => $answer->hottest_heater_c] + $given['machine']] + $given,
                );
                expect(array_column($cooler->timers, 'timer'))->toContain('heat')
                    ->and($answer->hottest_heater_c)
                    ->toBeLessThan($heater);
            }
        }
    }
})->with([[450.0, 1], [450.0, 2]]);

it('gives a plunger what it can give, and no soak that spends the melt', function (): void {
    $lever = recommended([
        'process' => 'injection',
        'polymer' => 'HDPE',
        'part' => ['thickness_mm' => 2.5],
        'machine' => ['kind' => 'lever', 'max_bar' => 102, 'barrel_diameter_mm' => 30],
    ]);
    expect(array_column($lever->settings, 'setting'))->not->toContain('back_pressure_bar')
        ->and(setPoint($lever, 'injection_pressure_bar')->high)
        ->toBe(102.0)
        ->and(setPoint($lever, 'melt_c')->target)
        ->toBeLessThan(180 + 80 / 3)
        ->and(array_column($lever->timers, 'timer'))->toContain('soak');
    $pom = recommended([
        'process' => 'injection',
        'polymer' => 'POM',
        'part' => ['thickness_mm' => 3],
        'machine' => ['barrel_diameter_mm' => 40],
    ]);
    expect(array_column($pom->timers, 'timer'))->not->toContain('soak')
        ->and(implode(' ', $pom->cautions))
        ->toContain('smaller bore')
        ->toContain('38 min in all');
    expect(array_column(
        recommended([
            'process' => 'injection',
            'polymer' => 'PP',
            'part' => ['thickness_mm' => 3],
            'machine' => ['kind' => 'screw', 'barrel_diameter_mm' => 30],
        ])->timers,
        'timer',
    ))->not->toContain('soak');
    expect(array_column(
        recommended([
            'process' => 'extrusion',
            'polymer' => 'PP',
            'part' => ['thickness_mm' => 30],
            'machine' => ['barrel_diameter_mm' => 30],
        ])->timers,
        'timer',
    ))->toBe(['strip', 'stack']);
});

it('cools in the mould that is there: quicker in water and in metal', function (): void {
    $cool = static fn (array $mould): float => array_column(
        recommended([
            'process' => 'injection',
            'polymer' => 'HDPE',
            'part' => ['thickness_mm' => 2.5],
            'mould' => $mould,
        ])->timers,
        'seconds',
        'timer',
    )['cool'];
    expect($cool(['in_water' => true]))->toBeLessThan($cool([]))
        ->and($cool([]))
        ->toBeLessThan($cool(['area_ratio' => 1]))
        ->and($cool(['held' => true]))
        ->toBeLessThan($cool([]));
});

it('says of a press that it does not know, and of a sheet how to dry it', function (): void {
    expect(implode(
        ' ',
        recommended(['process' => 'compression', 'polymer' => 'HDPE', 'part' => ['thickness_mm' => 8]])->cautions,
    ))->toContain('at the very least')
        ->and(implode(
            ' ',
            recommended(['process' => 'vacuum_forming', 'polymer' => 'PET', 'part' => ['thickness_mm' => 1]])->cautions,
        ))->toContain('without losing its shape')->not->toContain('dry it first')
        ->and(implode(
            ' ',
            recommended([
                'process' => 'vacuum_forming',
                'polymer' => 'PETG',
                'part' => ['thickness_mm' => 1],
            ])->cautions,
        ))->toContain('5.0 h at 65 °C and no hotter');
});
