<?php

declare(strict_types=1);

use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;

const K = 0.25;
const RHO = 950.0;
const CP = 2000.0;
const ALPHA = K / (RHO * CP);

/** Roots of a rising-through-infinity function on (a, b) by bisection. */
function root(callable $f, float $a, float $b): float
{
    for ($i = 0; $i < 200; $i++) {
        $m = ($a + $b) / 2;
        ($f($a) <=> 0) === ($f($m) <=> 0) ? $a = $m : $b = $m;
    }

    return ($a + $b) / 2;
}

/** Bessel functions of the first kind by their integral, J_n(x) = 1/π ∫ cos(nτ − x sin τ) dτ. */
function besselJ(int $n, float $x): float
{
    $steps = 400;
    $sum = 0.0;
    for ($i = 0; $i < $steps; $i++) {
        $t = M_PI * ($i + 0.5) / $steps;
        $sum += cos($n * $t - $x * sin($t));
    }

    return $sum / $steps;
}

/** Carslaw & Jaeger: plane sheet of half thickness L in a stream, (centre, mean) as shares of the first difference. */
function slabSeries(float $bi, float $fo): array
{
    $centre = $mean = 0.0;
    for ($n = 0; $n < 40; $n++) {
        $z = is_infinite($bi)
            ? ($n + 0.5) * M_PI
            : root(
                static fn (float $z): float => $z * sin($z) - $bi * cos($z),
                $n * M_PI + 1e-12,
                ($n + 0.5) * M_PI - 1e-12,
            );
        $c = 4 * sin($z) / (2 * $z + sin(2 * $z));
        $centre += $c * exp(-$z * $z * $fo);
        $mean += $c * sin($z) / $z * exp(-$z * $z * $fo);
    }

    return [$centre, $mean];
}

/** The same for a long cylinder of radius R: roots of z·J1(z) = Bi·J0(z). */
function cylinderSeries(float $bi, float $fo): array
{
    $centre = $mean = 0.0;
    $zeros = [0.0, 2.404825558, 5.520078110, 8.653727913, 11.791534439, 14.930917708, 18.071063968, 21.211636630];
    for ($n = 0; $n < 7; $n++) {
        $j1zero = [0.0, 3.831705970, 7.015586670, 10.173468135, 13.323691936, 16.470630051, 19.615858510][$n];
        $z = is_infinite($bi)
            ? $zeros[$n + 1]
            : root(
                static fn (float $z): float => $z * besselJ(1, $z) - $bi * besselJ(0, $z),
                $j1zero + 1e-9,
                $zeros[$n + 1] - 1e-9,
            );
        $j0 = besselJ(0, $z);
        $j1 = besselJ(1, $z);
        $c = 2 * $j1 / ($z * ($j0 * $j0 + $j1 * $j1));
        $centre += $c * exp(-$z * $z * $fo);
        $mean += $c * 2 * $j1 / $z * exp(-$z * $z * $fo);
    }

    return [$centre, $mean];
}

function solid(float $thickness, float $initial, int $cells = 40): Layer
{
    return new Layer(Substance::constant(K, RHO, CP), $thickness, $cells, $initial);
}

it('follows the series solution of a slab within 0.5 K', function (float $bi, float $fo): void {
    $half = 0.005;
    $face = is_infinite($bi) ? new Held(190) : new Held(190, $bi * K / $half);
    $stack = new Stack([solid($half, 20)], new Insulated, $face, stepK: 3.0);
    $stack->run($fo * $half * $half / ALPHA);
    [$centre, $mean] = slabSeries($bi, $fo);
    expect($stack->leftSurface())->toEqualWithDelta(190 - 170 * $centre, 0.5)
        ->and($stack->meanTemperature())->toEqualWithDelta(190 - 170 * $mean, 0.5)
        ->and(abs($stack->energyErrorPct()))->toBeLessThan(0.2);
})->with([0.1, 1.0, 10.0, INF])->with([0.2, 0.6, 1.5]);

it('follows the series solution of a cylinder within 0.5 K', function (float $bi, float $fo): void {
    $radius = 0.02;
    $face = is_infinite($bi) ? new Held(200) : new Held(200, $bi * K / $radius);
    $stack = new Stack([solid($radius, 20, 60)], new Insulated, $face, cylinder: true, stepK: 3.0);
    $stack->run($fo * $radius * $radius / ALPHA);
    [$centre, $mean] = cylinderSeries($bi, $fo);
    expect($stack->leftSurface())->toEqualWithDelta(200 - 180 * $centre, 0.5)
        ->and($stack->meanTemperature())->toEqualWithDelta(200 - 180 * $mean, 0.5);
})->with([0.1, 1.0, 10.0, INF])->with([0.2, 0.6]);

it('moves the front of the one-phase Stefan problem to within 1.5 %', function (): void {
    $c = 2000.0;
    $fusion = 200e3;
    $k = 0.3;
    $rho = 900.0;
    $melt = 130.0;
    $wall = 30.0;
    $stefan = $c * ($melt - $wall) / $fusion;
    // Neumann: λ·exp(λ²)·erf(λ) = Ste/√π
    $erf = static function (float $x): float {
        $sum = 0.0;
        for ($i = 0; $i < 2000; $i++) {
            $t = $x * ($i + 0.5) / 2000;
            $sum += exp(-$t * $t);
        }

        return 2 / sqrt(M_PI) * $sum * $x / 2000;
    };
    $lambda = root(static fn (float $l): float => $l * exp($l * $l) * $erf($l) - $stefan / sqrt(M_PI), 1e-6, 3);
    $time = 3600.0;
    $front = 2 * $lambda * sqrt($k / ($rho * $c) * $time);
    $substance = Substance::melting($k, $rho, $c, $fusion, $melt, 0.5);
    $stack = new Stack([new Layer($substance, 0.04, 100, $melt)], new Insulated, new Held($wall), stepK: 3.0);
    $stack->run($time);
    $edges = $stack->edges();
    $solid = 0.0;
    foreach ($stack->t as $i => $t) {
        $solid += ($edges[$i + 1] - $edges[$i]) * max(0.0, min(1.0, ($melt - $t) / 0.5));
    }
    expect($solid)->toEqualWithDelta($front, 0.015 * $front)->and(abs($stack->energyErrorPct()))->toBeLessThan(0.2);
});

it('neither makes nor loses heat between insulated faces', function (): void {
    $stack = new Stack(
        [solid(0.005, 20), new Layer(Substance::constant(200, 2700, 900), 0.003, 4, 180)],
        new Insulated,
        new Insulated,
    );
    $before = $stack->enthalpy();
    $stack->run(4000);
    expect($stack->enthalpy())->toEqualWithDelta($before, 1e-6 * $before)
        ->and($stack->leftSurface())
        ->toEqualWithDelta($stack->rightSurface(), 0.01);
});

it('gives back on freezing exactly the heat of fusion that melting took', function (): void {
    $polymer = Substance::polymer((new MaterialInput(polymer: 'HDPE'))->thermal(new PolymerLibrary));
    $stack = new Stack([new Layer($polymer, 0.004, 20, 20)], new Insulated, new Held(190, 500));
    $stack->run(3000);
    $stack->meet(new Held(20, 500));
    $stack->run(9000);
    // All the fusion is back. What is left over is the melt's larger specific heat over the 14 K of undercooling.
    expect($stack->gained())->toEqualWithDelta(-955 * 0.004 * (2500 - 2000) * (131 - 117), 50)
        ->and($stack->t[0])
        ->toEqualWithDelta(20, 0.1);
});

it('freezes a half-molten cell by its own half only', function (): void {
    $polymer = Substance::polymer((new MaterialInput(polymer: 'PP'))->thermal(new PolymerLibrary));
    $stack = new Stack([new Layer($polymer, 0.001, 3, 20)], new Insulated, new Held(156.5, 800));
    $stack->run(4000);
    $peak = $stack->enthalpy();
    $stack->meet(new Held(40, 800));
    $stack->run(9000);
    // 156.5 °C is the middle of PP's range: half the fusion went in, so half comes out, above the sensible heat alone.
    $sensible = 905 * 0.001 * (156.5 - 40) * 1900;
    expect($peak - $stack->enthalpy())->toBeGreaterThan($sensible + 0.4 * 905 * 0.001 * 95e3)
        ->toBeLessThan($sensible * 1.25 + 0.6 * 905 * 0.001 * 95e3);
});

it('closes a flake bed once and keeps its mass', function (): void {
    $bed = Substance::melting(0.25, 950, 2000, null, 0, 0, 0.6, 110, 130);
    $stack = new Stack([new Layer($bed, 0.025, 40, 20)], new Held(190), new Held(190));
    expect($stack->thickness())->toEqualWithDelta(0.025, 1e-9);
    $stack->run(2400);
    expect($stack->thickness())->toEqualWithDelta(0.010, 2e-5);
    $stack->meet(new Held(20));
    $stack->run(2700);
    expect($stack->thickness())->toEqualWithDelta(0.010, 2e-5);
});
