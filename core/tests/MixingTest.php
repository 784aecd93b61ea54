<?php

declare(strict_types=1);

use Dithermic\Core\Stock\Mixing;

it('follows grams through lots and runs', function (): void {
    $mixing = new Mixing;
    $mixing->bring('A', 'a', 900);
    $mixing->bring('B', 'b', 300);
    // 300 of A and 100 of B into C: three quarters are of A.
    $mixing->pour('A', 'C', 300);
    $mixing->pour('B', 'C', 100);
    $mixing->pour('C', 'run1', 200);
    $mixing->pour('A', 'run2', 100);
    expect($mixing->shares('C'))->toBe(['a' => 0.75, 'b' => 0.25])
        ->and($mixing->shares('run1'))->toBe(['a' => 0.75, 'b' => 0.25])
        ->and($mixing->shares('run2'))->toBe(['a' => 1.0])
        ->and($mixing->grams('run1', 'b'))->toBe(50.0)
        ->and($mixing->shares('nowhere'))->toBe([]);
    // What is left of the run is ground, and goes into another.
    $mixing->pour('run1', 'R', 40);
    $mixing->pour('R', 'run3', 40);
    expect($mixing->shares('run3'))->toBe(['a' => 0.75, 'b' => 0.25]);
});

it('takes of what is there when it is taken, not of what came later', function (): void {
    $mixing = new Mixing;
    $mixing->bring('tub', 'old', 100);
    $mixing->pour('tub', 'first', 60);
    $mixing->bring('tub', 'new', 60);
    $mixing->pour('tub', 'second', 50);
    expect($mixing->shares('first'))->toBe(['old' => 1.0])
        ->and($mixing->shares('second'))->toBe(['old' => 0.4, 'new' => 0.6]);
    $mixing->lose('tub', 25);
    $mixing->pour('tub', 'third', 25);
    expect($mixing->shares('third')['old'])->toEqualWithDelta(0.4, 1e-12);
});

it('calls unknown what was never known to be there', function (): void {
    $mixing = new Mixing;
    $mixing->bring('A', 'a', 30);
    $mixing->pour('A', 'run', 50);
    expect($mixing->shares('run')['a'])->toEqualWithDelta(0.6, 1e-12)
        ->and($mixing->shares('run')[Mixing::UNKNOWN])->toEqualWithDelta(0.4, 1e-12);
    $mixing->pour('empty', 'other', 5);
    expect($mixing->shares('other'))->toBe([Mixing::UNKNOWN => 1.0]);
});

it('loses and makes nothing, whatever is poured where', function (int $seed): void {
    $dice = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $mixing = new Mixing;
    $places = range('A', 'H');
    $brought = array_fill_keys($places, 0.0);
    foreach ($places as $place) {
        $brought[$place] = (float) $dice->getInt(100, 1000);
        $mixing->bring($place, $place, $brought[$place]);
    }
    $runs = [];
    for ($n = 0; $n < 60; $n++) {
        $from = $places[$dice->getInt(0, 7)];
        if ($dice->getInt(0, 1) === 0) {
            $mixing->pour($from, "run{$n}", (float) $dice->getInt(1, 8));
            $runs[] = "run{$n}";
        } else {
            $to = $places[$dice->getInt(0, 7)];
            $to === $from ?: $mixing->pour($from, $to, (float) $dice->getInt(1, 12));
        }
    }
    foreach ($runs as $run) {
        expect(array_sum($mixing->shares($run)))->toEqualWithDelta(1.0, 1e-9);
    }
    // Of each flow the parts are the whole, to a thousandth and far under it.
    foreach ($mixing->flows() as $flow) {
        expect(array_sum($flow['of']))->toEqualWithDelta($flow['grams'], 1e-6);
    }
    // No origin is found in runs with more than there was of it.
    foreach ($places as $place) {
        $found = array_sum(array_map(static fn (string $r): float => $mixing->grams($r, $place), $runs));
        expect($found)->toBeLessThanOrEqual($brought[$place] + 1e-6);
    }
})->with([1, 2, 3, 4, 5]);
