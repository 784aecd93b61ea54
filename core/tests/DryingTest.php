<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Drying\DryerAir;
use Dithermic\Core\Material\PolymerLibrary;

function dry(array $over): object
{
    return (new Registry)->run('dry.plan', $over + ['polymer' => 'PC', 'start' => '2026-11-26T08:00:00']);
}

it('certifies nothing that was dried in air colder than the library\'s least', function (): void {
    foreach ((new PolymerLibrary)->all() as $code => $polymer) {
        $drying = $polymer->drying();
        $least = $drying?->mayNumber('air_c.min');
        if ($least === null || $drying->text('needed') === 'surface moisture only') {
            continue;
        }
        foreach ([0.0, 20.0, $least - 0.1] as $air) {
            $plan = dry(['polymer' => $code, 'air_c' => $air, 'wanted_at' => '2026-11-27T08:00:00']);
            expect($plan->hours)->toBeNull($code)
                ->and($plan->ready_at)
                ->toBeNull()
                ->and($plan->start_by)
                ->toBeNull()
                ->and($plan->because)
                ->toContain('does not dry')
                ->and($plan->warnings)->not
                ->toBe([]);
        }
        expect(
            dry(['polymer' => $code, 'air_c' => $least])->hours,
        )->toBeGreaterThanOrEqual($drying->number('hours.min'));
    }
});

it('halves the hours for each ten kelvin, between the library\'s least and most', function (): void {
    $hours = static fn (float $air): float => dry(['polymer' => 'POM', 'air_c' => $air])->hours;
    expect($hours(90))->toBe(3.0)
        ->and($hours(94))
        ->toEqualWithDelta(3 / 2 ** 0.4, 1e-9)
        ->and($hours(100))
        ->toBe(2.0)
        ->and($hours(80))
        ->toBe(4.0);
});

it('never dries flake of what a trace of water splits any shorter than its pellets', function (
    string $polymer,
    float $share,
): void {
    expect(
        dry(['polymer' => $polymer, 'form' => 'flake'])->hours,
    )->toEqualWithDelta($share * dry(['polymer' => $polymer])->hours, 1e-9);
})->with([['PC', 1.0], ['PET', 1.0], ['PA6', 1.0], ['PA66', 1.0], ['ABS', 0.8], ['PMMA', 0.8]]);

it('keeps a sheet in shape, or says that it cannot be dried', function (): void {
    expect(dry(['polymer' => 'PET', 'form' => 'sheet'])->hours)->toBeNull()
        ->and(dry(['polymer' => 'PETG', 'form' => 'sheet'])->air_c)
        ->toBe(65.0)
        ->and(dry(['polymer' => 'PETG', 'form' => 'sheet'])->hours)
        ->toBe(5.0)
        ->and(dry(['polymer' => 'PLA', 'form' => 'sheet'])->air_c)
        ->toBe(44.0)
        ->and(dry(['polymer' => 'ABS', 'form' => 'sheet'])->hours)
        ->toBe(3.0);
    foreach ([['PETG', 66.5], ['PLA', 46], ['PET', 66]] as [$polymer, $air]) {
        expect(fn () => dry(['polymer' => $polymer, 'form' => 'sheet', 'air_c' => $air]))->toThrow(
            fn (InputError $e) => expect($e->field)->toBe('air_c')->and($e->getMessage())->toContain('loses its shape'),
        );
    }
    expect(implode(' ', dry(['polymer' => 'PET'])->warnings))->toContain('Crystallise it first');
});

it('takes the shop\'s own hours before the library\'s, and says so', function (): void {
    $own = dry(['polymer' => 'ABS', 'own_hours' => 2.5, 'own_air_c' => 78]);
    expect($own->hours)->toBe(2.5)
        ->and($own->air_c)
        ->toBe(78.0)
        ->and($own->origin)
        ->toBe('your rule')
        ->and($own->ready_at)
        ->toBe('2026-11-26T10:30:00')
        ->and(dry(['polymer' => 'ABS'])->origin)
        ->toBe('library')
        ->and(dry(['polymer' => 'ABS', 'own_hours' => 6])->hours)
        ->toBe(6.0)
        // Colder than the rule's own air the rule does not hold as it stands.
        ->and(dry(['polymer' => 'ABS', 'own_hours' => 2.5, 'own_air_c' => 85, 'air_c' => 75])->hours)
        ->toBe(4.0)
        ->and(dry(['polymer' => 'ABS', 'own_hours' => 2.5, 'own_air_c' => 80, 'air_c' => 30])->hours)
        ->toBeNull();
    expect(fn () => dry(['polymer' => 'ABS', 'own_air_c' => 120]))->toThrow(
        fn (InputError $e) => expect($e->field)->toBe('own_air_c'),
    );
});

it('toughens a polyamide by route: usable before it is full, the shop\'s hours beside the physics', function (
    string $route,
    float $usable,
): void {
    $got = (new Registry)->run('condition.polyamide', ['thickness_mm' => 3, 'route' => $route, 'shop_hours' => 6]);
    expect($got->fraction_usable)->toBe($usable)
        ->and($got->hours_usable)
        ->toBeLessThan($got->physics_hours)
        ->and($got->hours)
        ->toBe(6.0)
        ->and($got->explanation)
        ->toContain('Your rule');
    expect(
        (new Registry)->run(
            'condition.polyamide',
            ['thickness_mm' => 3, 'route' => $route, 'fraction' => $usable],
        )->hours,
    )->toEqualWithDelta($got->hours_usable, 1e-6);
})->with([['air', 0.5], ['warm_humid', 0.6], ['water_23', 0.6], ['boil', 0.7]]);

/** D·t/l² of a plane sheet: Crank, The Mathematics of Diffusion (1975), by its own formulae for short and long times. */
it('takes its water up as Crank has it, from the first to the last of it', function (float $fraction, float $fourier): void {
    $got = (new Registry)->run('condition.polyamide', [
        'thickness_mm' => 4,
        'route' => 'water_23',
        'fraction' => $fraction,
    ]);
    expect($got->hours)->toEqualWithDelta($fourier * 0.004 ** 2 / 2e-12 / 3600, 1e-4 * $got->hours);
})->with([
    // 4·√(Fo/π)
    'a hundredth' => [0.01, M_PI / 16 * 0.01 ** 2],
    'a quarter' => [0.25, M_PI / 16 * 0.25 ** 2],
    'just after the faces meet' => [0.32, M_PI / 16 * 0.32 ** 2],
    // eq. 10.6
    'half of it' => [0.5, -log(M_PI ** 2 / 16 - (M_PI ** 2 / 16) ** 9 / 9) / M_PI ** 2],
    // the first term alone
    'nine tenths' => [0.9, log(8 / M_PI ** 2 / 0.1) / M_PI ** 2],
    'nearly all' => [0.999, log(8 / M_PI ** 2 / 0.001) / M_PI ** 2],
]);

it('says minutes, hours or days as somebody would', function (float $mm, string $route, string $says): void {
    $got = (new Registry)->run('condition.polyamide', ['thickness_mm' => $mm, 'route' => $route]);
    expect($got->explanation)->toStartWith($says);
})->with([
    [0.5, 'boil', '18 min until 90 % of the water is in, 8 min until it is tough enough to use (about 70 %).'],
    [3, 'boil', '10.6 h until 90 %'],
    [3, 'air', '22 days until 90 %'],
]);

it('has one air in a dryer, within what its control holds', function (): void {
    DryerAir::admit('Attic', [['L-0109', 80.0]], 81.0);
    DryerAir::admit('Attic', [['L-0109', 80.0]], 79.0);
    DryerAir::admit('Attic', [], 120.0);
    expect(static fn () => DryerAir::admit('Attic', [['L-0109', 80.0]], 81.1))->toThrow(
        InputError::class,
        'Attic dries L-0109 at 80 °C and has one air',
    );
    expect(static fn () => DryerAir::admit('Attic', [['L-0109', 80.0]], 78.9))->toThrow(InputError::class);
});
