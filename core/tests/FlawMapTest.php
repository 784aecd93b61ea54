<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Quality\FlawMapResult;

/** @param  list<array{int, float, float}>  $marks  piece, along, across */
function flawsAt(array $marks, float $length = 600.0, float $width = 450.0): FlawMapResult
{
    $result = (new Registry)->run('quality.flaw_map', [
        'length_mm' => $length,
        'width_mm' => $width,
        'marks' => array_map(
            static fn (array $m): array => ['piece' => $m[0], 'x_mm' => $m[1], 'y_mm' => $m[2]],
            $marks,
        ),
    ]);
    assert($result instanceof FlawMapResult);

    return $result;
}

/** @return list<array{int, float, float}> thrown evenly, so many of each part */
function thrown(int $parts, int $each = 1): array
{
    $marks = [];
    for ($i = 0; $i < $parts * $each; $i++) {
        $marks[] = [intdiv($i, $each) + 1, 600 * mt_rand() / mt_getrandmax(), 450 * mt_rand() / mt_getrandmax()];
    }

    return $marks;
}

it('finds the place that parts share, and says what to look at', function (): void {
    $map = flawsAt([[1, 30, 20], [2, 36, 26], [3, 28, 22], [5, 33, 18], [4, 400, 300]]);
    expect($map->places)->toHaveCount(1)
        ->and($map->places[0]->pieces)->toBe([1, 2, 3, 5])
        ->and($map->places[0]->x_mm)->toEqualWithDelta(31.8, 0.06)
        ->and($map->places[0]->y_mm)->toEqualWithDelta(21.5, 0.06)
        ->and($map->places[0]->where)->toBe('corner')
        ->and($map->repeat)->toBe('same place every part')
        ->and($map->where)->toBe('corner')
        ->and([$map->pieces, $map->pieces_in_places])->toBe([5, 4])
        ->and($map->explanation)->toContain('4 of 5 parts have it at one corner')->toContain('mould');
});

it('calls marks that are thrown evenly a place no more often than it says', function (int $parts, int $each): void {
    mt_srand(20261128 + $parts);
    $found = 0;
    for ($try = 0; $try < 400; $try++) {
        $found += flawsAt(thrown($parts, $each))->places === [] ? 0 : 1;
    }
    // 5 % at most, by its own word; three standard deviations of 400 throws on it.
    expect($found / 400)->toBeLessThan(0.05 + 3 * sqrt(0.05 * 0.95 / 400));
})->with([[4, 1], [8, 1], [20, 1], [10, 3]]);

it('finds one that is there among those that wander', function (): void {
    mt_srand(7);
    $found = 0;
    for ($try = 0; $try < 50; $try++) {
        $marks = thrown(12);
        for ($part = 1; $part <= 8; $part++) {
            $marks[] = [$part, 300 + mt_rand(-12, 12), 225 + mt_rand(-12, 12)];
        }
        $map = flawsAt($marks);
        $found += ($map->places[0] ?? null) !== null
            && count($map->places[0]->pieces) >= 8
            && $map->places[0]->where === 'centre'
            ? 1
            : 0;
    }
    expect($found)->toBe(50);
});

it('says random of enough parts with nothing in common, and nothing of few', function (): void {
    $apart = [[1, 50, 50], [2, 300, 60], [3, 550, 50], [4, 60, 400], [5, 300, 390], [6, 540, 400]];
    expect(flawsAt($apart)->repeat)->toBe('random')
        ->and(flawsAt($apart)->explanation)->toContain('process')
        ->and(flawsAt(array_slice($apart, 0, 5))->repeat)->toBeNull()
        ->and(flawsAt([[1, 5, 5]])->explanation)->toBe('One part: mark the next ones too.');
});

it('counts a part once however often it is marked there', function (): void {
    $map = flawsAt([[1, 100, 100], [1, 101, 100], [1, 102, 100], [1, 100, 103], [2, 100, 101]]);
    expect($map->places)->toBe([])->and($map->pieces)->toBe(2);
});

it('says the same whichever way round the part is drawn, and in whichever order it was marked', function (): void {
    $marks = [
        [1, 30, 20], [2, 36, 26], [3, 28, 22], [4, 400, 300], [5, 33, 18], [6, 410, 310], [7, 405, 295], [8, 402, 305],
    ];
    $map = flawsAt($marks);
    $turned = flawsAt(
        array_map(static fn (array $m): array => [$m[0], $m[2], $m[1]], array_reverse($marks)),
        450.0,
        600.0,
    );
    expect($map->places)->toHaveCount(2)
        ->and(array_column($turned->places, 'pieces'))->toBe(array_column($map->places, 'pieces'))
        ->and(array_column($turned->places, 'x_mm'))->toBe(array_column($map->places, 'y_mm'))
        ->and($turned->places[0]->by_chance)->toEqualWithDelta($map->places[0]->by_chance, 1e-12);
});

it('takes no mark beside the part', function (float $x, float $y, string $field): void {
    try {
        flawsAt([[1, 10, 10], [2, $x, $y]]);
        expect(false)->toBeTrue('it was taken');
    } catch (InputError $error) {
        expect($error->field)->toBe($field);
    }
})->with([[600.1, 10, 'marks.1.x_mm'], [10, 450.1, 'marks.1.y_mm'], [-1, 10, 'marks.1.x_mm']]);

it('says how likely that is by the binomial tail, worked out by hand', function (): void {
    // Three of four parts in a circle of s = pi 45^2 / 270000: four marks, P[Bin(3, s) >= 2] = 3 s^2 (1 - s) + s^3.
    $s = M_PI * (0.06 * hypot(600, 450)) ** 2 / (600 * 450);
    $map = flawsAt([[1, 300, 225], [2, 302, 224], [3, 299, 226], [4, 40, 40]]);
    expect($map->places[0]->by_chance)->toEqualWithDelta(4 * (3 * $s ** 2 * (1 - $s) + $s ** 3), 1e-12);
});

it('finds no place where every part has so many that some must meet', function (): void {
    mt_srand(11);
    // 80 parts, ten marks each: a circle holds one of nearly every fifth part wherever it is drawn.
    expect(flawsAt(thrown(80, 10))->places)->toBe([]);
    expect(flawsAt(thrown(1000))->places)->toBe([]);
});
