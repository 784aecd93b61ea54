<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Press\HotPressInput;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Press\PressModel;
use Dithermic\Core\Material\PolymerLibrary;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Hidden machines of our own, made anew from a seed: what is learnt is judged by what it foretells of something else.
 */
final class Hidden
{
    public readonly Randomizer $dice;

    public function __construct(int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->dice->getInt(0, 1 << 30) / (1 << 30);
    }

    /** Box and Muller's normal numbers. */
    public function noise(float $sd): float
    {
        return $sd * sqrt(-2 * log($this->between(1e-12, 1.0))) * cos(2 * M_PI * $this->between(0.0, 1.0));
    }

    public function sheet(float $mm): array
    {
        return [
            'polymer' => 'HDPE',
            'thickness_mm' => $mm,
            'length_mm' => 700,
            'width_mm' => 500,
            'bulk_density_g_cm3' => 0.36,
            'initial_c' => 20,
            'platen_c' => 185,
            'core_target_c' => 165,
            'soak_min' => 0,
        ];
    }

    public function press(): array
    {
        return [
            'heater_kw' => $this->between(1.2, 4.0),
            'platen_kj_k' => $this->between(8, 30),
            'loss_kw' => $this->between(0.1, 0.4),
        ];
    }

    /**
     * @return array{list<array{t_s: float, platen_c: float}>, list<array{float, float}>} what is read, and the true middle
     */
    public function readings(array $sheet, array $press, float $until, float $every = 20.0, float $sd = 0.6): array
    {
        $in = Reader::read(PressCycleInput::class, $sheet);
        $model = new PressModel($in, new PolymerLibrary);
        $stack = $model->coldStack();
        $body = $model->platenAt($in->platen_c, new HotPressInput(...array_values($press)), $in->platen_c);
        $stack->meet($body);
        $readings = [];
        $core = [];
        for ($t = 0.0; $t <= $until; $t += $every) {
            $stack->run($t);
            $readings[] = ['t_s' => $t, 'platen_c' => round($body->temperature + $this->noise($sd), 1)];
            $core[] = [$t, $stack->leftSurface()];
        }

        return [$readings, $core];
    }
}

it('learns a press from one or two sheets well enough for another thickness', function (int $seed): void {
    $hidden = new Hidden($seed);
    $press = $hidden->press();
    $sheets = $seed % 2 === 0 ? [6.0] : [5.0, 9.0];
    $runs = [];
    foreach ($sheets as $mm) {
        $heat = calculate('heat.press_cycle', ['press' => $press] + $hidden->sheet($mm))['heat_min'];
        $runs[] = [
            'input' => $hidden->sheet($mm),
            'readings' => $hidden->readings($hidden->sheet($mm), $press, 60 * $heat)[0],
        ];
    }
    $learnt = calculate('fit.press', ['runs' => $runs]);
    $foretold = calculate('heat.press_cycle', ['press' => $learnt['press']] + $hidden->sheet(13.0))['heat_min'];
    $true = calculate('heat.press_cycle', ['press' => $press] + $hidden->sheet(13.0))['heat_min'];
    expect(abs($foretold / $true - 1))->toBeLessThan(0.1)
        ->and($learnt['rms_k'])->toBeLessThan(1.2)
        ->and($learnt['press']['low']['platen_kj_k'])->toBeLessThan($press['platen_kj_k'])
        ->and($learnt['press']['high']['platen_kj_k'])->toBeGreaterThan($press['platen_kj_k']);
})->with(range(1, 5));

it('learns a cold press too, and says nothing of one that was not read', function (): void {
    $hidden = new Hidden(5);
    $press = ['heater_kw' => 2.5, 'platen_kj_k' => 15.0, 'loss_kw' => 0.3];
    $cold = ['platen_kj_k' => 12.0, 'cooling_w_k' => 25.0, 'coolant_c' => 18.0];
    $sheet = $hidden->sheet(8.0);
    $cycle = calculate('heat.press_cycle', ['press' => $press, 'cold_press' => $cold] + $sheet);
    [$readings] = $hidden->readings($sheet, $press, floor(3 * $cycle['heat_min']) * 20);
    $from = end($readings)['t_s'];
    $curve = array_values(array_filter(
        calculate(
            'heat.press_cycle',
            ['press' => $press, 'cold_press' => $cold, 'transfer_min' => $from / 60] + $sheet,
        )['curve'],
        static fn (array $p): bool => $p['time_s'] > $from + 1,
    ));
    $coldReadings = array_map(
        static fn (array $p): array => [
            't_s' => $p['time_s'] - $from,
            'platen_c' => $p['platen_c'] + $hidden->noise(0.3),
        ],
        $curve,
    );
    $learnt = calculate(
        'fit.press',
        [
            'runs' => [[
                'input' => ['cold_press' => ['platen_kj_k' => 1.0, 'coolant_c' => 18.0]] + $sheet,
                'readings' => $readings,
                'cold_readings' => $coldReadings,
            ]],
        ],
    );
    expect($learnt['cold_press']['platen_kj_k'])->toEqualWithDelta(12.0, 2.4)
        ->and($learnt['cold_press']['cooling_w_k'])->toEqualWithDelta(25.0, 5.0)
        ->and(
            calculate('fit.press', ['runs' => [['input' => $sheet, 'readings' => $readings]]])['cold_press'],
        )->toBeNull();
});

it('follows the heat of a press that is not what it is said to be', function (int $seed): void {
    $hidden = new Hidden(100 + $seed);
    $said = ['heater_kw' => 2.2, 'platen_kj_k' => 16.0, 'loss_kw' => 0.4];
    $true = ['heater_kw' => $hidden->between(1.0, 2.6), 'platen_kj_k' => $hidden->between(13, 19), 'loss_kw' => 0.4];
    $sheet = $hidden->sheet($hidden->between(5, 11));
    $ready = 60 * calculate('heat.press_cycle', ['press' => $true] + $sheet)['heat_min'];
    $now = 20 * floor($hidden->between(0.55, 0.9) * $ready / 20);
    [$readings, $core] = $hidden->readings($sheet, $true, $now);
    $tracked = calculate('heat.track', ['press' => $said, 'now_s' => $now, 'readings' => $readings] + $sheet);
    expect($tracked['core_now_c'])->toEqualWithDelta(end($core)[1], 2.0)
        ->and(abs($tracked['ready_s'] / $ready - 1))->toBeLessThan(0.08);
})->with(range(1, 8));

it('says the plan when nothing was read, and what has been when it is past', function (): void {
    $hidden = new Hidden(3);
    $press = ['heater_kw' => 2.2, 'platen_kj_k' => 16.0, 'loss_kw' => 0.4];
    $sheet = $hidden->sheet(6.0);
    $heat = 60 * calculate('heat.press_cycle', ['press' => $press] + $sheet)['heat_min'];
    $blind = calculate('heat.track', ['press' => $press, 'now_s' => 300, 'readings' => []] + $sheet);
    expect($blind['ready_s'])->toEqualWithDelta($heat, 2.0)
        ->and($blind['lag_s'])
        ->toEqualWithDelta(0.0, 2.0)
        ->and($blind['warnings'][0])
        ->toContain('No reading');
    [$readings] = $hidden->readings($sheet, $press, 2 * $heat, sd: 0.0);
    $past = calculate('heat.track', ['press' => $press, 'now_s' => 2 * $heat, 'readings' => $readings] + $sheet);
    expect($past['ready_s'])->toEqualWithDelta($heat, 0.01 * $heat)->and($past['explanation'])->toContain('reached');
});

it('refuses a track by the field at fault', function (array $over, string $field): void {
    $hidden = new Hidden(1);
    $input = $over + [
        'press' => ['heater_kw' => 2, 'platen_kj_k' => 15],
        'now_s' => 60,
        'readings' => [],
    ] + $hidden->sheet(6.0);
    try {
        (new Registry)->run('heat.track', $input);
        $this->fail('was not refused');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([
    'no press' => [['press' => null], 'press'],
    'out of order' => [
        ['readings' => [['t_s' => 20, 'platen_c' => 180], ['t_s' => 20, 'platen_c' => 180]]],
        'readings.1.t_s',
    ],
    'no temperature' => [['readings' => [['t_s' => 20]]], 'readings.0.platen_c'],
    'no sheet' => [['length_mm' => null], 'length_mm'],
    'before it went in' => [['now_s' => -1], 'now_s'],
]);

it('learns a heater from timed sheets, whatever its exchange truly is', function (int $seed): void {
    $hidden = new Hidden(200 + $seed);
    $heater = $hidden->between(280, 520);
    $exchange = $hidden->between(0.5, 0.9);
    $sides = 1 + $seed % 2;
    $sheet = static fn (float $mm): array => [
        'polymer' => 'HIPS',
        'thickness_mm' => $mm,
        'initial_c' => 22,
        'ambient_c' => 22,
        'sides' => $sides,
    ];
    $sheets = [];
    foreach ([0.8, 1.0, 1.5, 2.0, 2.5] as $mm) {
        $ready = calculate(
            'heat.vacuum_sheet',
            ['heater_c' => $heater, 'exchange' => $exchange] + $sheet($mm),
        )['ready_s'];
        $sheets[] = [
            'input' => $sheet($mm),
            'seconds' => $ready * exp($hidden->noise(0.03)),
            'cue' => ['ready', 'flat again', 'gives and springs back'][$seed % 3],
        ];
    }
    $learnt = calculate('fit.heater', ['sheets' => $sheets]);
    $foretold = calculate(
        'heat.vacuum_sheet',
        ['heater_c' => $learnt['heater_c'], 'exchange' => $learnt['exchange']] + $sheet(3.0),
    )['ready_s'];
    $true = calculate('heat.vacuum_sheet', ['heater_c' => $heater, 'exchange' => $exchange] + $sheet(3.0))['ready_s'];
    expect(abs($foretold / $true - 1))->toBeLessThan(0.08)
        ->and($learnt['enough'])
        ->toBeTrue()
        ->and($learnt['low'])
        ->toBeLessThan($learnt['high']);
})->with(range(1, 6));

it('says that one sheet says little, and that times which fit no heater fit none', function (): void {
    $sheet = ['polymer' => 'HIPS', 'thickness_mm' => 1.0, 'initial_c' => 22, 'ambient_c' => 22, 'sides' => 1];
    $one = calculate('fit.heater', ['sheets' => [['input' => $sheet, 'seconds' => 60, 'cue' => 'ready']]]);
    expect($one['enough'])->toBeFalse()
        ->and($one['missing'])->not
        ->toBe([])
        ->and($one['warnings'][0])
        ->toContain('say little');
    expect(
        static fn () => calculate(
            'fit.heater',
            ['sheets' => [['input' => ['thickness_mm' => 0] + $sheet, 'seconds' => 60, 'cue' => 'ready']]],
        ),
    )
        ->toThrow(static fn (InputError $e) => expect($e->field)->toBe('sheets.0.input.thickness_mm'));
    expect(
        static fn () => calculate(
            'fit.heater',
            ['sheets' => [['input' => $sheet, 'seconds' => 60, 'cue' => 'smells']]],
        ),
    )->toThrow(InputError::class);
});

it('learns nothing from nothing, the mean from times and a bound from waits', function (): void {
    $none = calculate('learn.factor', ['observations' => []]);
    expect($none['factor'])->toEqualWithDelta(1.0, 1e-6)
        ->and($none['low'])
        ->toEqualWithDelta(exp(-1.6449 * 0.25), 1e-3)
        ->and($none['used'])
        ->toBe(0);
    // Conjugate: the precision-weighted mean of the prior and the one time.
    $one = calculate('learn.factor', ['observations' => [['predicted' => 100, 'actual' => 130]]]);
    $weight = (1 / 0.08 ** 2) / (1 / 0.08 ** 2 + 1 / 0.25 ** 2);
    expect($one['factor'])->toEqualWithDelta(1.3 ** $weight, 1e-4);
    $waits = calculate('learn.factor', ['observations' => [['predicted' => 100, 'at_least' => 150]]]);
    expect($waits['factor'])->toBeGreaterThan(1.3)->and(
        calculate('learn.factor', ['observations' => [['predicted' => 100, 'at_least' => 10]]])['factor'],
    )->toEqualWithDelta(1.0, 1e-3);
    $many = calculate('learn.factor', ['observations' => array_fill(0, 200, ['predicted' => 100, 'at_least' => 300])]);
    expect($many['factor'])->toBeGreaterThan(2.2)->and(is_finite($many['high']))->toBeTrue();
});

it('turns time about: what is scaled in and out stays the same', function (int $seed): void {
    $hidden = new Hidden(300 + $seed);
    $observations = [];
    for ($i = 0; $i < 6; $i++) {
        $observations[] = [
            'predicted' => $hidden->between(50, 500),
            ['actual', 'at_least', 'at_most'][$i % 3] => $hidden->between(50, 500),
            'sd' => $hidden->between(0.03, 0.3),
        ];
    }
    $here = calculate('learn.factor', ['observations' => $observations]);
    $times = static fn (array $o): array => array_map(
        static fn (float $v): float => 60 * $v,
        array_diff_key($o, ['sd' => 0]),
    ) + ['sd' => $o['sd']];
    $there = calculate('learn.factor', ['observations' => array_map($times, $observations)]);
    shuffle($observations);
    expect($there['factor'])->toEqualWithDelta($here['factor'], 1e-6)
        ->and(
            calculate('learn.factor', ['observations' => $observations])['factor'],
        )->toEqualWithDelta($here['factor'], 1e-6)
        ->and($here['low'])->toBeLessThan($here['factor'])->and($here['high'])->toBeGreaterThan($here['factor']);
})->with(range(1, 5));

it('refuses an observation that says nothing, or two things', function (array $observation, string $field): void {
    expect(
        static fn () => calculate('learn.factor', ['observations' => [$observation]]),
    )->toThrow(static fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    [['predicted' => 10], 'observations.0.actual'],
    [['predicted' => 10, 'actual' => 9, 'at_most' => 12], 'observations.0.at_most'],
    [['predicted' => 0, 'actual' => 9], 'observations.0.predicted'],
    [['predicted' => 10, 'actual' => 9, 'sd' => 0], 'observations.0.sd'],
]);
