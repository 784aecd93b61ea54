<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Quantity\Dimension;
use Dithermic\Core\Quantity\Quantity;

it('reads each case that the screens read, as they must', function (): void {
    foreach (json_decode((string) file_get_contents(__DIR__.'/conformance/quantities.json'), true) as $case) {
        try {
            $got = Quantity::parse($case['text'], Dimension::from($case['dimension']), $case['unit'] ?? null)->value;
        } catch (InputError) {
            $got = null;
        }
        $want = $case['value'] ?? null;
        expect(
            $want === null ? $got === null : $got !== null && abs($got - $want) <= 1e-9 * max(1.0, abs($want)),
        )->toBeTrue("\"{$case['text']}\" as {$case['dimension']}: got ".json_encode($got));
    }
});

it('hands the screens the table that it reads by', function (): void {
    expect(
        (string) file_get_contents(__DIR__.'/../../resources/js/generated/units.json'),
    )->toBe(Dimension::table(), 'run npm run types');
});

it('reads what people type', function (string $text, Dimension $dimension, float $value): void {
    expect(Quantity::parse($text, $dimension)->value)->toEqualWithDelta($value, 1e-9 * max(1, abs($value)));
})->with([
    ['3/4 in', Dimension::Length, 19.05],
    ['1 1/2 in', Dimension::Length, 38.1],
    ['19mm', Dimension::Length, 19],
    ['1.2 m', Dimension::Length, 1200],
    ['5 ft 3 in', Dimension::Length, 1600.2],
    ['½"', Dimension::Length, 12.7],
    ['8,5 kg', Dimension::Mass, 8500],
    ['8.5lb', Dimension::Mass, 3855.535145],
    ['1 lb 4 oz', Dimension::Mass, 566.99046250],
    ['1.234,5 g', Dimension::Mass, 1234.5],
    ['1,234.5 g', Dimension::Mass, 1234.5],
    ['365 F', Dimension::Temperature, 185],
    ['185', Dimension::Temperature, 185],
    ['−5 °C', Dimension::Temperature, -5],
    ['458.15 K', Dimension::Temperature, 185],
    ['22 inHg', Dimension::Pressure, 0.74500558],
    ['100 psi', Dimension::Pressure, 6.89475729316836],
    ['1:30', Dimension::Time, 90],
    ['90 s', Dimension::Time, 1.5],
    ['1 h 20 min', Dimension::Time, 80],
    ['5 %', Dimension::Number, 5],
]);

it('refuses what is ambiguous or nonsense', function (string $text, Dimension $dimension): void {
    expect(
        static fn () => Quantity::parse($text, $dimension, null, 'thickness'),
    )->toThrow(fn (InputError $e) => expect($e->field)->toBe('thickness'));
})->with([
    ['8,500 kg', Dimension::Mass],
    ['', Dimension::Mass],
    ['thick', Dimension::Length],
    ['12 kg', Dimension::Length],
    ['1/0 in', Dimension::Length],
    ['3 in 5 ft', Dimension::Length],
    ['10 20 mm', Dimension::Length],
    ['185 365', Dimension::Temperature],
    ['-3 mm', Dimension::Length],
    ['-300 C', Dimension::Temperature],
    [str_repeat('9', 80), Dimension::Length],
    ['1.2.3', Dimension::Number],
]);

it('comes back from every unit to within 1e-9', function (): void {
    foreach (Dimension::cases() as $dimension) {
        foreach (array_keys($dimension->units()) as $unit) {
            foreach ([0.37, 12.5, 871.0] as $value) {
                $there = Quantity::of($value, $dimension)->in((string) $unit);
                [$factor, $offset] = $dimension->units()[$unit];
                expect($there * $factor + $offset)->toEqualWithDelta($value, 1e-9 * $value);
            }
        }
    }
});

it('takes a bare number in the unit it is told', function (): void {
    expect(Quantity::parse('0.75', Dimension::Length, 'in')->value)->toEqualWithDelta(19.05, 1e-9);
});
