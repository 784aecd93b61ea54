<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\OwnValue;
use Dithermic\Core\Material\OwnValues;
use Dithermic\Core\Material\PolymerLibrary;

it('lets everything that it offers be set, and the library contradicts itself nowhere', function (string $code): void {
    $polymer = (new PolymerLibrary)->get($code);
    expect(OwnValues::faults($polymer))->toBe([]);
    foreach (OwnValues::of($polymer) as $own) {
        $value = $polymer->data->mayNumber($own->path);
        // What is offered is there, and lies where it may.
        expect($value)->toBeNumeric()->and($value)->toBeGreaterThanOrEqual($own->low)->toBeLessThanOrEqual($own->high);
        $set = (new PolymerLibrary([$code => [$own->path => (float) $value]]))->get($code);
        expect(OwnValues::faults($set))->toBe([])->and($set->origin($own->path))->toBe('your shop\'s value');
    }
})->with(static fn (): array => array_keys((new PolymerLibrary)->all()));

it('sees a window out of order, whichever process it is of', function (string $path, float $value, string $says): void {
    $polymer = (new PolymerLibrary(['ABS' => [$path => $value]]))->get('ABS');
    expect(implode('; ', OwnValues::faults($polymer)))->toContain($says);
})->with([
    ['process.injection.melt_c.typical', 150.0, 'window of the melt is out of order'],
    ['process.injection.mould_c.min', 90.0, 'window of the mould is out of order'],
    ['process.extrusion.die_c.max', 100.0, 'window of the die of the extruder is out of order'],
    ['process.compression.platen_c.typical', 280.0, 'above the ceiling'],
    ['process.vacuum_forming.sheet_lower_c', 160.0, 'the sheet\'s window is out of order'],
    ['degradation_c.ceiling', 140.0, 'the sheet is formed at 149 °C, above the ceiling'],
    ['demould_c.typical', 190.0, 'still fluid'],
    ['bulk_density_flake_g_cm3.typical', 1.2, 'heavier than the solid'],
]);

it('offers no window where a process does not work the polymer', function (): void {
    $paths = array_map(static fn (OwnValue $v): string => $v->path, OwnValues::of((new PolymerLibrary)->get('LDPE')));
    expect(implode(' ', $paths))->toContain('process.extrusion.melt_c')->not->toContain('vacuum_forming');
});

it('refuses what is not offered, and what cannot be', function (): void {
    $polymer = (new PolymerLibrary)->get('PP');
    expect(static fn () => OwnValues::mustBe($polymer, 'name', 1.0))->toThrow(InputError::class)
        ->and(static fn () => OwnValues::mustBe(
            $polymer,
            'process.injection.hold_fraction.typical',
            0.5,
        ))->toThrow(InputError::class)
        ->and(static fn () => OwnValues::mustBe($polymer, 'degradation_c.ceiling', 900.0))->toThrow(InputError::class)
        ->and(OwnValues::mustBe($polymer, 'degradation_c.ceiling', null)->unit)->toBe('°C');
});
