<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Care\CareState;
use Dithermic\Core\Care\Interval;
use Dithermic\Core\Stock\Shelf;

it('wants as many as are missing once it runs short, and none before', function (int $held, int $wants): void {
    expect((new Shelf($held, 4, 12))->wants())->toBe($wants)
        ->and((new Shelf($held, null, null))->wants())->toBe(0);
})->with([[13, 0], [5, 0], [4, 8], [1, 11], [0, 12], [-2, 14]]);

it('takes away what is there, and is put right by counting', function (): void {
    $shelf = new Shelf(7, null, null);
    expect($shelf->change('taken', 7))->toBe(-7)
        ->and($shelf->change('counted', 9))->toBe(2)
        ->and($shelf->change('counted', 0))->toBe(-7);
    expect(static fn () => $shelf->change('taken', 8))->toThrow(InputError::class, 'the 7 that stand there')
        ->and(static fn () => $shelf->change('taken', 0))->toThrow(InputError::class, 'at least 1');
});

it('is watched whole or not at all', function (?int $at, ?int $to, string $field): void {
    try {
        new Shelf(0, $at, $to);
        $this->fail('was let in');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([[4, null, 'make_to'], [null, 12, 'reorder_at'], [4, 4, 'make_to'], [4, 3, 'make_to']]);

it('is due by days or by pieces, whichever comes first, and soon shortly before', function (
    ?int $days,
    ?int $pieces,
    float $gone,
    int $made,
    CareState $state,
): void {
    expect((new Interval($days, $pieces))->state(true, $gone, $made))->toBe($state);
})->with([
    [30, null, 10.0, 900, CareState::Ok],
    [30, null, 26.9, 0, CareState::Ok],
    [30, null, 27.0, 0, CareState::Soon],
    [30, null, 30.0, 0, CareState::Due],
    [null, 200, 400.0, 179, CareState::Ok],
    [null, 200, 0.0, 180, CareState::Soon],
    [null, 200, 0.0, 200, CareState::Due],
    [30, 200, 1.0, 201, CareState::Due],
    [30, 200, 31.0, 1, CareState::Due],
]);

it('comes once where no interval is given: due until it is done', function (): void {
    $once = new Interval(null, null);
    expect($once->isOnce())->toBeTrue()
        ->and($once->state(false, 0.0, 0))->toBe(CareState::Due)
        ->and($once->state(true, 500.0, 500))->toBe(CareState::Ok)
        ->and($once->says(1, 1))->toBe('raised once')
        ->and((new Interval(30, 200))->says(12.9, 140))->toBe('140 of 200 pieces, 12 of 30 days');
    expect(static fn () => new Interval(0, null))->toThrow(InputError::class)
        ->and(static fn () => new Interval(null, -1))->toThrow(InputError::class);
});
