<?php

declare(strict_types=1);

use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\KeptFromWaste;

it('keeps of a part what its lots would have been waste of', function (): void {
    expect(KeptFromWaste::grams([[300.0, true], [100.0, false]], [40.0]))->toBe(30.0)
        ->and(KeptFromWaste::grams([[300.0, true]], [10.0, 50.0, 20.0]))->toBe(20.0)
        ->and(KeptFromWaste::grams([[300.0, true]], [10.0, 20.0]))->toBe(15.0)
        ->and(KeptFromWaste::grams([[300.0, false]], [10.0]))->toBe(0.0)
        // Nobody weighed one, or nobody knows what it is of.
        ->and(KeptFromWaste::grams([[300.0, true]], []))->toBeNull()
        ->and(KeptFromWaste::grams([[0.0, true]], [10.0]))->toBeNull();
});

it('never keeps more than a part weighs, and all lots together keep all of it', function (): void {
    mt_srand(11);
    for ($i = 0; $i < 200; $i++) {
        $lots = array_map(
            static fn (): array => [mt_rand(1, 5000) / 10, (bool) mt_rand(0, 1)],
            range(1, mt_rand(1, 6)),
        );
        $weighed = array_map(static fn (): float => mt_rand(1, 900) / 10, range(1, mt_rand(1, 9)));
        $others = array_map(static fn (array $l): array => [$l[0], ! $l[1]], $lots);
        $kept = KeptFromWaste::grams($lots, $weighed);
        expect($kept)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(max($weighed) + 1e-9)
            ->and($kept + KeptFromWaste::grams($others, $weighed))
            ->toEqualWithDelta(
                KeptFromWaste::grams(array_map(static fn (array $l): array => [$l[0], true], $lots), $weighed),
                1e-9,
            );
    }
});

it('marks a part by the symbols of the standard', function (string $code, string $mark): void {
    expect((new PolymerLibrary)->get($code)->mark())->toBe($mark);
})->with([['HDPE', '>PE-HD<'], ['LDPE', '>PE-LD<'], ['HIPS', '>PS-HI<'], ['PP', '>PP<'], ['PA6', '>PA6<']]);
