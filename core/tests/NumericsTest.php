<?php

declare(strict_types=1);

use Dithermic\Core\Numerics\GaussNewton;
use Dithermic\Core\Numerics\LeastSquares;
use Dithermic\Core\Quality\Normal;

it('solves a square system, and says when it has no one answer', function (): void {
    expect(LeastSquares::linear([[2.0, 1.0], [1.0, 3.0]], [3.0, 5.0]))->toEqualWithDelta([0.8, 1.4], 1e-12)
        // The pivot is looked for: a nought at the corner is no end.
        ->and(LeastSquares::linear([[0.0, 1.0], [1.0, 0.0]], [7.0, 9.0]))->toEqualWithDelta([9.0, 7.0], 1e-12)
        ->and(LeastSquares::linear([[1.0, 2.0], [2.0, 4.0]], [1.0, 2.0]))->toBeNull();
});

it('fits a line through what lies on one, and leaves nothing over', function (): void {
    $rows = array_map(static fn (int $i): array => [1.0, (float) $i], range(0, 9));
    $fit = LeastSquares::solve($rows, array_map(static fn (int $i): float => 4.5 - 0.25 * $i, range(0, 9)));
    expect($fit['x'])->toEqualWithDelta([4.5, -0.25], 1e-10)->and($fit['error'])->toBeLessThan(1e-12);
});

it('leaves a residual that is square to every column', function (int $seed): void {
    mt_srand($seed);
    $random = static fn (): float => mt_rand() / mt_getrandmax() - 0.5;
    $rows = array_map(static fn (): array => [1.0, $random(), $random()], range(1, 40));
    $values = array_map(static fn (): float => $random(), $rows);
    $fit = LeastSquares::solve($rows, $values);
    $left = [];
    foreach ($rows as $i => $row) {
        $left[] = $values[$i] - $row[0] * $fit['x'][0] - $row[1] * $fit['x'][1] - $row[2] * $fit['x'][2];
    }
    foreach ([0, 1, 2] as $column) {
        expect(array_sum(array_map(
            static fn (array $row, float $l): float => $row[$column] * $l,
            $rows,
            $left,
        )))->toEqualWithDelta(0.0, 1e-9);
    }
    expect($fit['error'])->toEqualWithDelta(array_sum(array_map(static fn (float $l): float => $l * $l, $left)), 1e-9);
})->with(range(1, 6));

it('finds the time constant and the height of a decay', function (): void {
    $times = range(0, 30);
    $seen = array_map(static fn (int $t): float => 80 * exp(-$t / 7.5), $times);
    $misses = static fn (array $x): array => array_map(
        static fn (int $t, float $s): float => (exp($x[0]) * exp(-$t / exp($x[1])) - $s) / 0.5,
        $times,
        $seen,
    );
    $fit = GaussNewton::fit($misses, [[log(50.0), 2.0], [log(3.0), 2.0]], [log(50.0), log(3.0)]);
    expect(exp($fit['x'][0]))->toEqualWithDelta(80.0, 0.05)->and(exp($fit['x'][1]))->toEqualWithDelta(7.5, 0.01)
        ->and($fit['sd'][0])->toBeGreaterThan(0)->toBeLessThan(0.05);
});

it('keeps a belief that the data say nothing of, and how little is known', function (): void {
    $misses = static fn (array $x): array => [($x[0] - 3.0) / 0.1];
    $fit = GaussNewton::fit($misses, [[0.0, 10.0], [5.0, 2.0]], [0.0, 5.0]);
    expect($fit['x'][0])->toEqualWithDelta(3.0, 1e-3)->and($fit['x'][1])->toEqualWithDelta(5.0, 1e-6)
        ->and($fit['sd'][0])->toEqualWithDelta(0.1, 1e-3)->and($fit['sd'][1])->toEqualWithDelta(2.0, 1e-6);
});

it('weighs a belief against the data by what each is worth', function (): void {
    // One measurement of sd 1 against a belief of sd 1: half way.
    $fit = GaussNewton::fit(static fn (array $x): array => [$x[0] - 4.0], [[0.0, 1.0]], [0.0]);
    expect($fit['x'][0])->toEqualWithDelta(2.0, 1e-4)->and($fit['sd'][0])->toEqualWithDelta(sqrt(0.5), 1e-3);
});

it('knows the normal distribution, far out too', function (): void {
    expect(exp(Normal::logCdf(0.0)))->toEqualWithDelta(0.5, 1e-7)
        ->and(exp(Normal::logCdf(1.6448536)))
        ->toEqualWithDelta(0.95, 1e-6)
        // Ln Φ(−40) by its asymptotic series to five terms.
        ->and(Normal::logCdf(-40.0))->toEqualWithDelta(-804.6084420, 1e-3)
        // Where one way hands over to the other nothing jumps.
        ->and(Normal::logCdf(-30.0))->toEqualWithDelta(Normal::logCdf(-29.9999), 0.01);
    $before = -INF;
    for ($z = -60.0; $z < 8; $z += 0.5) {
        expect(Normal::logCdf($z))->toBeGreaterThanOrEqual($before);
        $before = Normal::logCdf($z);
    }
});
