<?php

declare(strict_types=1);

use Dithermic\Core\Run\Whose;

const NOON = 1_800_000_000.0;

function call(float $inMin, ?string $by, float $minutes = 2.0, int $people = 1): array
{
    return ['at' => NOON + 60 * $inMin, 'minutes' => $minutes, 'people' => $people, 'by' => $by];
}

it('leaves a piece to who is at it', function (): void {
    expect(Whose::of([call(0, 'Ines'), call(10, 'Teodor')], ['Teodor', 'Ines'], NOON))->toBe([['Ines'], ['Teodor']]);
});

it('sends somebody else where one would have to be in two places', function (): void {
    $both = [call(0, 'Ines', 5), call(1, 'Ines')];

    expect(Whose::of($both, ['Ines', 'Teodor'], NOON))->toBe([['Ines'], ['Teodor']])
        // Alone, one after the other is all there is.
        ->and(Whose::of($both, ['Ines'], NOON))->toBe([['Ines'], ['Ines']])
        // Once the first is done, the second is theirs again.
        ->and(Whose::of([call(0, 'Ines', 5), call(6, 'Ines')], ['Ines', 'Teodor'], NOON))->toBe([['Ines'], ['Ines']]);
});

it('counts what is overdue from now on: hands that are late are wanted now', function (): void {
    expect(Whose::of([call(-30, 'Ines', 4), call(1, 'Ines')], ['Ines', 'Jun'], NOON))->toBe([['Ines'], ['Jun']]);
});

it('puts a step for two to two, and to all who are here where they are too few', function (): void {
    expect(Whose::of([call(0, 'Jun', 3, 2)], ['Ines', 'Jun', 'Teodor'], NOON))->toBe([['Jun', 'Ines']])
        ->and(Whose::of([call(0, 'Jun', 3, 2)], ['Jun'], NOON))->toBe([['Jun']]);
});

it('shares what nobody is at, and gives to those who are here what belongs to somebody who left', function (): void {
    $three = [call(0, null), call(20, 'Maren'), call(40, null)];

    expect(Whose::of($three, ['Ines', 'Jun'], NOON))->toBe([['Ines'], ['Jun'], ['Ines']])
        ->and(Whose::of($three, [], NOON))->toBe([[], [], []]);
});

it('asks nobody to be in two places while somebody else is free, whatever comes', function (int $seed): void {
    mt_srand($seed);
    $here = array_slice(['Ines', 'Jun', 'Maren', 'Teodor'], 0, mt_rand(1, 4));
    $calls = array_map(
        static fn (): array => call(
            mt_rand(0, 120),
            [null, ...$here][mt_rand(0, count($here))],
            mt_rand(1, 9),
            mt_rand(1, 2),
        ),
        range(1, 12),
    );
    usort($calls, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);
    $whose = Whose::of($calls, $here, NOON);
    $at = static fn (int $i, string $name): bool => in_array($name, $whose[$i], true);
    foreach ($calls as $i => $call) {
        expect(count($whose[$i]))->toBe(min(count($here), $call['people']))
            ->and(array_unique($whose[$i]))->toBe($whose[$i]);
        $free = array_filter($here, static function (string $name) use ($calls, $i, $call, $at): bool {
            for ($j = 0; $j < $i; $j++) {
                if ($at($j, $name) && $calls[$j]['at'] + 60 * $calls[$j]['minutes'] > $call['at']) {
                    return false;
                }
            }

            return true;
        });
        $taken = array_diff($whose[$i], $free);
        // Whoever is busy is asked only where not enough are free.
        expect(count($taken))->toBe(max(0, count($whose[$i]) - count($free)));
    }
})->with(range(1, 20));

it('knows who is here by what came last: what they said, or what they logged', function (): void {
    $shift = ['from' => NOON - 14_400, 'to' => NOON + 14_400, 'at' => NOON - 20_000];
    $left = ['from' => NOON - 14_400, 'to' => NOON - 600, 'at' => NOON - 500];
    $later = ['from' => NOON + 3600, 'to' => NOON + 7200, 'at' => NOON - 900];
    $here = static fn (array $logged, array $said): array => Whose::here($logged, $said, NOON);

    expect($here([], ['Ines' => $shift]))->toBe(['Ines'])
        // Seen a while ago, and five hours ago; an entry of a screen whose clock runs ahead is no proof yet.
        ->and($here(['Jun' => NOON - 3600, 'Maren' => NOON - 18_000, 'Teodor' => NOON + 60], []))->toBe(['Jun'])
        // Gone, though they worked until then; and back again with an entry.
        ->and($here(['Ines' => NOON - 700], ['Ines' => $left]))->toBe([])
        ->and($here(['Ines' => NOON - 100], ['Ines' => $left]))->toBe(['Ines'])
        // Not here before one, and in all the same.
        ->and($here(['Ines' => NOON - 1200], ['Ines' => $later]))->toBe([])
        ->and($here(['Ines' => NOON - 100], ['Ines' => $later]))->toBe(['Ines'])
        ->and($here(['Teodor' => NOON - 60], ['Jun' => $shift]))->toBe(['Jun', 'Teodor'])
        ->and($here([], []))->toBe([]);
});

it('makes it everybody\'s once nobody has come for a minute, where somebody is waited for', function (): void {
    expect(Whose::everyonesAt(NOON, true))->toBe(NOON + 60)->and(Whose::everyonesAt(NOON, false))->toBeNull();
});
