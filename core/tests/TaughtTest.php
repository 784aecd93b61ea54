<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Learning\HeatsIn;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Learning\ReadRun;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Processes;

/**
 * What hands of a run see under a heater that is really so hot: looks every so many seconds, the last one when it is
 * ready.
 */
function sheetsSeen(
    array $input,
    float $heaterC,
    float $everyS,
    int $sheets,
    int $number = 7,
    string $cue = 'flat again',
): ReadRun {
    $ready = (float) calculate('heat.vacuum_sheet', ['heater_c' => $heaterC, 'exchange' => 0.7] + $input)['ready_s'];
    $heats = $logged = [];
    for ($k = 0; $k < $sheets; $k++) {
        $from = 1000.0 * $k;
        for ($t = $everyS; $t < $ready; $t += $everyS) {
            $logged[] = ['entry' => 'look', 'at' => $from + $t, 'values' => ['cue' => 'wrinkles']];
        }
        $logged[] = ['entry' => 'look', 'at' => $from + $t, 'values' => ['cue' => $cue]];
        $heats[] = ['started_at' => $from, 'ended_at' => $from + $t + 5];
    }

    return new ReadRun($number, ['sheet_input' => $input], $heats, [], $logged);
}

const CLAMPED = [
    ['polymer' => 'HIPS', 'thickness_mm' => 1.5, 'initial_c' => 20, 'sides' => 1, 'ambient_c' => 25, 'transfer_s' => 4],
    ['polymer' => 'HIPS', 'thickness_mm' => 3, 'initial_c' => 20, 'sides' => 1, 'ambient_c' => 25, 'transfer_s' => 4],
    ['polymer' => 'ABS', 'thickness_mm' => 2, 'initial_c' => 20, 'sides' => 1, 'ambient_c' => 25, 'transfer_s' => 4],
];

function taught(string $process, array $runs, array $facts = []): MachineLearnt
{
    return (new Processes(new Registry))->get($process)->learns($runs, new Record($facts));
}

it('finds a heater that nobody measured from when sheets were flat again', function (float $truth): void {
    $runs = array_map(static fn (array $in): ReadRun => sheetsSeen($in, $truth, 6.0, 3), CLAMPED);
    $learnt = taught('vacuum_forming', $runs);
    $facts = array_column($learnt->facts, null, 'name');
    expect($facts['heater_c']->value)->toEqualWithDelta($truth, 0.05 * $truth)
        ->and($facts['heater_c']->low)->toBeLessThan($facts['heater_c']->value)
        ->and($facts['exchange']->value)->toBe(0.7)
        ->and($learnt->enough)->toBeTrue()
        ->and($learnt->otherwise)->toBeTrue()
        ->and($learnt->says)->toContain('Nothing was known of it.');
})->with([340.0, 420.0, 520.0]);

it('says in seconds what a heater that is believed otherwise would cost, and no news where it is as known', function (): void {
    $runs = array_map(static fn (array $in): ReadRun => sheetsSeen($in, 420.0, 4.0, 3), CLAMPED);
    $wrong = taught('vacuum_forming', $runs, ['heater_c' => 500, 'exchange' => 0.7]);
    expect($wrong->says)->toContain('longer than what is known of it would')
        ->and(array_column($wrong->facts, 'name'))->toBe(['heater_c'])
        ->and($wrong->otherwise)->toBeTrue();
    $known = taught('vacuum_forming', $runs, ['heater_c' => $wrong->facts[0]->value, 'exchange' => 0.7]);
    expect($known->otherwise)->toBeFalse()->and($known->says)->toContain('the same as what is known of it');
});

it('is sure of nothing from one look, and asks for one where there is none', function (): void {
    $one = taught('vacuum_forming', [sheetsSeen(CLAMPED[0], 420.0, 10.0, 1)]);
    expect($one->enough)->toBeFalse()->and($one->missing)->not->toBe([]);
    foreach ([[], [sheetsSeen(CLAMPED[0], 420.0, 10.0, 2, 7, 'stiff')], [new ReadRun(3, [], [], [])]] as $runs) {
        expect(fn () => taught('vacuum_forming', $runs))->toThrow(InputError::class, 'log a look while one heats');
    }
});

/** A full barrel whose test shots came so, after so many minutes. */
function soaked(int $number, array $shots): ReadRun
{
    $logged = array_map(
        static fn (array $s): array => ['entry' => 'purge', 'at' => 100 + 60.0 * $s[0], 'values' => ['what' => $s[1]]],
        $shots,
    );
    $input = ['polymer' => 'PP', 'barrel_diameter_mm' => 38, 'wall_c' => 220, 'feed_c' => 20, 'porosity' => 0.15];

    return new ReadRun(
        $number,
        ['soak_input' => ['soak_factor' => 1.0] + $input],
        [['started_at' => 100.0, 'ended_at' => 101.0]],
        [],
        $logged,
    );
}

it('learns what a barrel takes over the physics from lumps and from what came smooth after them', function (): void {
    $physics = (float) calculate('heat.barrel_soak', [
        'polymer' => 'PP', 'barrel_diameter_mm' => 38, 'wall_c' => 220, 'feed_c' => 20, 'porosity' => 0.15,
    ])['soak_min_full'];
    // It really takes 1.3 times that.
    $runs = array_map(
        static fn (int $n): ReadRun => soaked($n, [[1.2 * $physics, 'lumps'], [1.3 * $physics, 'smooth']]),
        [1, 2, 3, 4],
    );
    $learnt = taught('injection', $runs);
    expect($learnt->facts[0]->name)->toBe('soak_factor')
        ->and($learnt->facts[0]->value)->toEqualWithDelta(1.3, 0.06)
        ->and($learnt->enough)->toBeTrue()
        ->and($learnt->otherwise)->toBeTrue()
        ->and($learnt->runs)->toBe([1, 2, 3, 4])
        ->and($learnt->says)->toContain('8 full barrels');
    // Known already it is no news; smooth at once tells only that it takes no longer.
    expect(taught('injection', $runs, ['soak_factor' => $learnt->facts[0]->value])->otherwise)->toBeFalse();
    $long = taught('injection', [soaked(1, [[1.5 * $physics, 'smooth']]), soaked(2, [[1.5 * $physics, 'smooth']])]);
    expect($long->facts[0]->value)->toBeLessThan(1.1)->and($long->missing)->toHaveCount(1);
    expect(
        fn () => taught('injection', [new ReadRun(1, [], [], [])]),
    )->toThrow(InputError::class, 'how its first melt came');
});

it('plans by what was learnt of it, and says so', function (): void {
    $of = static fn (array $facts): Plan => (new Processes(new Registry))->get('injection')->plan(new Job('PP', SHIFTS['injection'][1], [
        'barrel' => $facts + SHIFTS['injection'][2]['barrel'],
    ]));
    [$usual, $slow] = [$of([]), $of(['soak_factor' => 1.3])];
    expect($slow->targets->soak_min)->toEqualWithDelta(1.3 * $usual->targets->soak_min, 0.01);
    $setting = array_values(array_filter($slow->settings, static fn ($s): bool => $s->name === 'soak_factor'))[0];
    expect($setting->origin)->toBe('as Heron takes it');
});

it('says in one way what heats sheets: never, for the first time, the same, longer and less', function (
    ?float $will,
    ?float $would,
    bool $news,
    string $says,
): void {
    $heats = new HeatsIn($will, $would, 'min');
    expect($heats->isNews())->toBe($news)
        ->and($heats->says('One run says'))->toBe("One run says {$says}");
})->with([
    'never' => [null, 9.0, true, 'that it never gets such a sheet hot: look at its heaters.'],
    'first' => [10.0, null, true, 'that it heats the last sheet in 10.0 min. Nothing was known of it.'],
    'same' => [10.1, 10.0, false, 'the same as what is known of it: 10.1 min for the last sheet.'],
    'longer' => [
        11.0, 10.0, true,
        'that it takes 10 % longer than what is known of it would: 11.0 min for the last sheet instead of 10.0.',
    ],
    'less' => [
        9.0, 10.0, true,
        'that it takes 10 % less than what is known of it would: 9.0 min for the last sheet instead of 10.0.',
    ],
]);
