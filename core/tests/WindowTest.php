<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Learning\Axes;
use Dithermic\Core\Learning\WindowPoint;
use Dithermic\Core\Learning\WindowResult;
use Dithermic\Core\Process\Figure;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @param  list<array{x: float, y: float, good: int, bad: int}>  $runs */
function windowOf(array $runs, array $over = []): WindowResult
{
    $result = (new Registry)->run('learn.window', $over + ['runs' => $runs]);
    assert($result instanceof WindowResult);

    return $result;
}

/** @return list<array{x: float, y: float, good: int, bad: int}> good inside an ellipse about 190 °C and 14 min, honest noise at its edge */
function runsOfAPress(int $many, int $seed, int $pieces = 1): array
{
    $dice = new Randomizer(new Mt19937($seed));
    $between = static fn (float $low, float $high): float => $low + ($high - $low) * $dice->getInt(0, 1 << 30) / (1 << 30);
    $runs = [];
    for ($i = 0; $i < $many; $i++) {
        [$x, $y] = [$between(170, 215), $between(8, 20)];
        $p = 1 / (1 + exp(6 * ((($x - 190) / 14) ** 2 + (($y - 14) / 4) ** 2 - 1)));
        $good = 0;
        for ($k = 0; $k < $pieces; $k++) {
            $good += $between(0, 1) < $p ? 1 : 0;
        }
        $runs[] = ['x' => $x, 'y' => $y, 'good' => $good, 'bad' => $pieces - $good];
    }

    return $runs;
}

it('finds a window that is there, and says what the settings tell beyond the base rate', function () {
    $window = windowOf(runsOfAPress(120, 7), ['x_planned' => 190.0, 'y_planned' => 14.0]);
    expect($window->tells)->toBeTrue()
        ->and($window->brier)->toBeLessThan(0.75 * $window->base_brier)
        ->and($window->planned->probability)->toBeGreaterThan(0.85)
        ->and($window->planned->low)->toBeLessThan($window->planned->probability)
        ->and($window->planned->high)->toBeGreaterThan($window->planned->probability);
    $edge = windowOf(runsOfAPress(120, 7), ['x_planned' => 212.0, 'y_planned' => 14.0]);
    expect($edge->planned->probability)->toBeLessThan(0.3);
});

it('does not tell where verdicts have nothing to do with the settings', function () {
    $none = 0;
    for ($seed = 1; $seed <= 20; $seed++) {
        $dice = new Randomizer(new Mt19937($seed));
        $runs = runsOfAPress(40, $seed);
        foreach ($runs as &$run) {
            $run['good'] = $dice->getInt(0, 9) < 7 ? 1 : 0;
            $run['bad'] = 1 - $run['good'];
        }
        unset($run);
        $none += windowOf($runs)->tells ? 0 : 1;
    }
    // By chance alone one or two of twenty seem to.
    expect($none)->toBeGreaterThanOrEqual(17);
});

it('leaves a run out as a fit without it would', function () {
    $runs = runsOfAPress(24, 3, 4);
    $said = 0.0;
    $weight = 4 / 1.3;
    foreach ($runs as $i => $run) {
        $others = array_values(array_diff_key($runs, [$i => 0]));
        $without = windowOf($others, ['x_planned' => $run['x'], 'y_planned' => $run['y']]);
        if ($without->planned === null) {
            // Away from all others: nothing is said of it. Its error is bounded by what can be.
            $said += $weight * 0.25;

            continue;
        }
        $p = $without->planned->probability;
        $share = $run['good'] / 4;
        $said += $weight * ($share * (1 - $p) ** 2 + (1 - $share) * $p ** 2);
    }
    $exact = $said / ($weight * count($runs));
    expect(abs(windowOf($runs)->brier - $exact))->toBeLessThan(0.025);
});

it('draws nothing from fewer than eight runs, and nothing away from all of them', function () {
    $few = windowOf(runsOfAPress(7, 1), ['x_planned' => 190.0, 'y_planned' => 14.0]);
    expect($few->drawn)->toBe([])
        ->and($few->brier)->toBeNull()
        ->and($few->planned)->toBeNull()
        ->and($few->explanation)->toContain('7 of the 8 runs');
    $far = windowOf(runsOfAPress(40, 2), ['x_planned' => 320.0, 'y_planned' => 60.0]);
    expect($far->planned)
        ->toBeNull()
        ->and($far->warnings)
        ->toContain('What is planned is away from everything that was run.');
    expect(count($far->drawn))->toBeGreaterThan(0)->toBeLessThan(24 ** 2)
        ->and($far->x_high)->toBeGreaterThan(320.0);
    foreach ($far->drawn as $square) {
        expect($square->x)->toBeLessThan(260.0);
    }
});

it('is not made sure of itself by many pieces of one run, which are alike', function () {
    $runs = runsOfAPress(20, 5);
    $many = array_map(
        static fn (array $r): array => ['good' => 200 * $r['good'], 'bad' => 200 * $r['bad']] + $r,
        $runs,
    );
    $at = ['x_planned' => 190.0, 'y_planned' => 14.0];
    [$one, $two] = [windowOf($runs, $at)->planned, windowOf($many, $at)->planned];
    $width = static fn (WindowPoint $p): float => log($p->high / (1 - $p->high)) - log($p->low / (1 - $p->low));
    expect($width($two))->toBeGreaterThan(0.3 * $width($one));
});

it('does not mind units, order, or a setting that was never moved', function () {
    $runs = runsOfAPress(40, 11);
    $kelvin = array_map(static fn (array $r): array => ['x' => $r['x'] + 273.15, 'y' => 60 * $r['y']] + $r, $runs);
    $a = windowOf($runs, ['x_planned' => 185.0, 'y_planned' => 12.0]);
    $b = windowOf(array_reverse($kelvin), ['x_planned' => 185.0 + 273.15, 'y_planned' => 720.0]);
    expect($b->planned->probability)->toEqualWithDelta($a->planned->probability, 1e-9)
        ->and($b->brier)->toEqualWithDelta($a->brier, 1e-9);
    $still = array_map(static fn (array $r): array => ['y' => 14.0] + $r, $runs);
    $same = windowOf($still, ['x_planned' => 185.0, 'y_planned' => 14.0]);
    expect($same->planned->probability)->toBeGreaterThan(0.0)->toBeLessThan(1.0);
});

it('keeps every probability between 0 and 1 on whatever it is given', function () {
    $dice = new Randomizer(new Mt19937(99));
    for ($case = 0; $case < 200; $case++) {
        $runs = [];
        for ($i = $dice->getInt(8, 30); $i > 0; $i--) {
            $runs[] = [
                'x' => $dice->getInt(-3, 3) * 10.0 ** $dice->getInt(-6, 6),
                'y' => $dice->getInt(-3, 3) * 1.0,
                'good' => $dice->getInt(0, 3),
                'bad' => $dice->getInt(1, 1000),
            ];
        }
        $window = windowOf($runs, ['side' => 6]);
        foreach ($window->drawn as $square) {
            expect($square->probability)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0);
        }
        expect($window->brier)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0);
    }
});

it('warns where nothing ever failed', function () {
    $runs = array_map(static fn (array $r): array => ['good' => 1, 'bad' => 0] + $r, runsOfAPress(12, 4));
    expect(windowOf($runs)->warnings)->toContain('Nothing ever failed: where the edge is cannot be known.');
});

it('names what is wrong with what it is given', function (array $over, string $field) {
    $runs = runsOfAPress(8, 1);
    try {
        windowOf($runs, $over);
        expect(false)->toBeTrue('it was taken');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([
    'one planned setting' => [['x_planned' => 190.0], 'y_planned'],
    'a run without a verdict' => [['runs' => [['x' => 1.0, 'y' => 1.0, 'good' => 0, 'bad' => 0]]], 'runs.0.good'],
    'half a piece' => [['runs' => [['x' => 1.0, 'y' => 1.0, 'good' => 0.5, 'bad' => 0]]], 'runs.0.good'],
    'too few squares' => [['side' => 1], 'side'],
]);

/**
 * @param  list<array<string, float>>  $runs
 * @return array{string, string}|null
 */
function axesOf(array $runs): ?array
{
    $settings = array_map(
        static fn (string $id): Figure => new Figure($id, $id, 'number', 0),
        ['platen_c', 'heat_min', 'pressure_bar'],
    );
    $axes = Axes::of($settings, $runs);

    return $axes === null ? null : [$axes->x->id, $axes->y->id];
}

it('is drawn over the two settings that were moved most for their size, in the order of the process', function () {
    // 20 K of 190 are less than 4 min of 14, and more than 0.1 bar of 8
    expect(axesOf([
        ['platen_c' => 180.0, 'heat_min' => 12.0, 'pressure_bar' => 8.0],
        ['platen_c' => 200.0, 'heat_min' => 16.0, 'pressure_bar' => 8.1],
    ]))->toBe(['platen_c', 'heat_min'])
        ->and(axesOf([
            ['platen_c' => 190.0, 'heat_min' => 12.0, 'pressure_bar' => 6.0],
            ['platen_c' => 191.0, 'heat_min' => 12.5, 'pressure_bar' => 9.0],
        ]))->toBe(['heat_min', 'pressure_bar']);
});

it('is not drawn over a setting that one of the runs has not', function () {
    $has = ['platen_c' => 180.0, 'heat_min' => 12.0, 'pressure_bar' => 8.0];
    expect(axesOf([$has, ['platen_c' => 181.0, 'pressure_bar' => 8.0]]))->toBe(['platen_c', 'pressure_bar'])
        ->and(axesOf([$has, ['platen_c' => 181.0]]))->toBeNull()
        ->and(axesOf([]))->toBeNull();
});

it('is drawn over settings that were never moved where there is nothing else', function () {
    $still = ['platen_c' => 180.0, 'heat_min' => 0.0, 'pressure_bar' => 8.0];
    expect(axesOf([$still, $still]))->toBe(['platen_c', 'heat_min']);
});
