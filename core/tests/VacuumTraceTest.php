<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;

/**
 * A pull as the model of the gauge sees it, with noise: an exponential for each stage, and a leak that rises evenly.
 */
function pull(int $seed, float $every = 0.04): array
{
    mt_srand($seed);
    $between = static fn (float $low, float $high): float => $low + ($high - $low) * mt_rand() / mt_getrandmax();
    $noise = static fn (): float => 0.25 * sqrt(
        -2 * log(max(1e-12, mt_rand() / mt_getrandmax())),
    ) * cos(2 * M_PI * mt_rand() / mt_getrandmax());
    $air = $between(79, 101.5);
    $seal = 2 + $between(0.5, 4);
    $second = $seed % 2 === 0 ? $seal + $between(1.3, 2.4) : null;
    $leak = $seed % 3 === 0 ? $between(10, 25) / 60 : 0.0;
    $first = $second === null ? $between(0.1, 0.25) * $air : $between(0.65, 0.8) * $air;
    [$slow, $fast, $deep] = [$between(0.4, 1.1), $between(0.2, 0.4), $between(8, 15)];
    $base = static fn (float $t): float => $air - 1.5 * (1 - exp(-$t));
    $stage = static fn (float $t): float => $first + ($base($seal) - $first) * exp(-($t - $seal) / $slow);
    $true = static fn (float $t): float => match (true) {
        $t < $seal => $base($t),
        $second !== null && $t >= $second => $deep + ($stage($second) - $deep) * exp(-($t - $second) / $fast),
        default => $stage($t),
    } + $leak * max(0.0, $t - $seal);
    $readings = [];
    for ($t = 0.0; $t < ($second ?? $seal) + 8; $t += $every) {
        $readings[] = ['t_s' => round($t, 3), 'kpa_abs' => round($true($t) + $noise(), 2)];
    }

    return [
        ['readings' => $readings, 'atmosphere_kpa' => $air, 'heater_off_s' => 2.0],
        [
            'seal_s' => $seal,
            'second_stage_s' => $second,
            'verdict' => $leak > 0 ? 'leaks' : 'sealed',
            'end' => $true(end($readings)['t_s'] - 0.5),
        ],
    ];
}

function traced(array $input): array
{
    return calculate('vacuum.trace', $input);
}

it('finds seal, second stage, depth and leak in the noise of a gauge', function (int $seed): void {
    [$input, $true] = pull($seed);
    $found = traced($input);
    expect($found['seal_s'])->toEqualWithDelta($true['seal_s'], 0.08)
        ->and($found['delay_s'])->toEqualWithDelta($true['seal_s'] - 2, 0.08)
        ->and($found['end_kpa'])->toEqualWithDelta($true['end'], 0.4)
        ->and($found['verdict'])->toBe($true['verdict']);
    $true['second_stage_s'] === null
        ? expect($found['second_stage_s'])->toBeNull()
        : expect($found['second_stage_s'])->toEqualWithDelta($true['second_stage_s'], 0.08);
})->with(range(1, 24));

it('knows no better than a slow gauge, and no worse', function (int $seed): void {
    [$input, $true] = pull($seed, 0.5);
    expect(traced($input)['seal_s'])->toEqualWithDelta($true['seal_s'], 0.6);
})->with(range(1, 12));

it('does not hang on where time or the air begins', function (): void {
    [$input] = pull(4);
    $later = [
        'heater_off_s' => 1002.0,
        'readings' => array_map(static fn (array $r): array => ['t_s' => $r['t_s'] + 1000] + $r, $input['readings']),
    ] + $input;
    expect(traced($later)['seal_s'] - 1000)->toEqualWithDelta(traced($input)['seal_s'], 1e-3)
        ->and(traced($later)['delay_s'])
        ->toEqualWithDelta(traced($input)['delay_s'], 1e-3);
});

it('says that nothing sealed, and still how deep it was', function (): void {
    $readings = array_map(
        static fn (int $i): array => [
            't_s' => $i / 25,
            'kpa_abs' => 101.3 - 1.5 * (1 - exp(-$i / 25)) + 0.2 * (-1) ** $i,
        ],
        range(0, 250),
    );
    $found = traced(['readings' => $readings, 'atmosphere_kpa' => 101.3, 'heater_off_s' => 1]);
    expect($found)->toMatchArray([
        'seal_s' => null,
        'second_stage_s' => null,
        'delay_s' => null,
        'verdict' => 'no seal',
    ])->and($found['end_kpa'])->toEqualWithDelta(99.8, 0.1);
});

it('takes no heater for no delay, and says when it left too late', function (): void {
    [$input] = pull(1);
    unset($input['heater_off_s']);
    expect(traced($input)['delay_s'])->toBeNull();
    expect(traced(['heater_off_s' => 30.0] + $input)['warnings'][0])->toContain('same clock');
});

it('refuses readings that are no trace', function (array $over, string $field): void {
    [$input] = pull(1);
    expect(static fn (): array => traced($over + $input))->toThrow(
        static fn (InputError $e) => expect($e->field)->toBe($field),
    );
})->with([
    [['readings' => [['t_s' => 0, 'kpa_abs' => 100]]], 'readings'],
    [['readings' => array_fill(0, 12, ['t_s' => 1, 'kpa_abs' => 100])], 'readings.1.t_s'],
    [
        [
            'readings' => [
                ...array_map(static fn (int $i): array => ['t_s' => $i, 'kpa_abs' => 100], range(0, 10)),
                ['t_s' => 11, 'kpa_abs' => 900],
            ],
        ],
        'readings.11.kpa_abs',
    ],
    [['atmosphere_kpa' => 5], 'atmosphere_kpa'],
]);
