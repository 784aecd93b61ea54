<?php

declare(strict_types=1);

/** Readings of machines whose numbers are hidden, made by an independent program, and what was true of them. */
function hiddenMachines(): Generator
{
    foreach (glob(__DIR__.'/truth/*.json') ?: [] as $file) {
        foreach (json_decode((string) file_get_contents($file), true) as $case) {
            yield "{$case['calc']}: {$case['name']}" => [$case];
        }
    }
}

function near(mixed $got, ?float $want, float $rel = 0.0, float $abs = 0.0): bool
{
    return $want === null ? $got === null : is_numeric($got) && abs($got - $want) <= max($abs, $rel * abs($want));
}

it('finds what was hidden', function (array $case): void {
    $got = calculate($case['calc'], $case['input']);
    $truth = $case['truth'];
    match ($case['calc']) {
        'fit.press' => expect(near(
            calculate('heat.press_cycle', ['press' => $got['press']] + $case['then']['input'])['heat_min'],
            $truth['heat_min'],
            $case['rel'],
        ))->toBeTrue(),
        'fit.heater' => expect(near(
            calculate(
                'heat.vacuum_sheet',
                ['heater_c' => $got['heater_c'], 'exchange' => $got['exchange']] + $case['then']['input'],
            )['ready_s'],
            $truth['ready_s'],
            $case['rel'],
        ))->toBeTrue(),
        'heat.track' => expect(near($got['core_now_c'], $truth['core_now_c'], abs: $case['core_abs']))->toBeTrue()
            ->and(near($got['ready_s'], $truth['ready_s'], $case['ready_rel']))->toBeTrue(),
        'learn.factor' => expect(array_filter(
            $truth,
            static fn (float|int $v, string $k): bool => ! near($got[$k], $v, 0.005),
            ARRAY_FILTER_USE_BOTH,
        ))->toBe([]),
        'vacuum.trace' => expect($got['verdict'])->toBe($truth['verdict'])
            ->and(near($got['end_kpa'], $truth['end_kpa'], abs: $case['kpa']))->toBeTrue()
            ->and(array_filter(
                ['seal_s', 'second_stage_s', 'delay_s'],
                static fn (string $k): bool => ! near($got[$k], $truth[$k], abs: $case['abs']),
            ))->toBe([]),
        'barrel.contents' => expect(count($got['shots']))->toBe(count($truth['shots']))
            ->and(shareFaults($got, $truth))
            ->toBe([]),
    };
})->with(hiddenMachines(...));

/** @return list<string> where the shares, ages or masses differ */
function shareFaults(array $got, array $truth): array
{
    $faults = [];
    foreach ([...array_keys($truth['shots']), 'barrel'] as $i) {
        [$is, $was] = $i === 'barrel'
            ? [$got['in_barrel'], $truth['in_barrel']]
            : [$got['shots'][$i], $truth['shots'][$i]];
        foreach (['mass_g', 'mean_age_s', 'oldest_s'] as $k) {
            if (isset($was[$k]) && ! near($is[$k] ?? null, $was[$k], 1e-3, 0.05)) {
                $faults[] = "{$i} {$k}";
            }
        }
        foreach ($was['shares'] as $lot => $share) {
            if (! near($is['shares'][$lot] ?? 0.0, $share, abs: 1e-3)) {
                $faults[] = "{$i} {$lot}";
            }
        }
    }

    return $faults;
}
