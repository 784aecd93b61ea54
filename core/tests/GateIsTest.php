<?php

declare(strict_types=1);

use Dithermic\Core\Data\Record;
use Dithermic\Core\Run\Gate;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;
use Dithermic\Core\Run\Thread;

/** What a gate lacks that asks for a choice, after these entries of its step. */
function lacksChoice(array $gate, array $logged, ?int $piece = null): ?string
{
    $state = new RunState;
    if ($piece !== null) {
        $state->pieces[$piece] = new Thread($piece);
    }
    foreach ($logged as $i => [$step, $of, $values]) {
        $state->entries["e{$i}"] = [
            'key' => "e{$i}",
            'entry' => 'purge',
            'at' => 10.0 + $i,
            'by' => 'Jun',
            'values' => $values,
            'step' => $step,
            'corrected' => 0,
            'piece' => $of,
        ];
    }
    $step = Step::of(new Record([
        'id' => 'test_shot',
        'stage' => 's',
        'place' => 'p',
        'people' => 1,
        'title' => 'Test shot',
        'do' => '',
        'why' => '',
        'button' => '',
        'entries' => ['purge'],
    ]));

    return Gate::of(new Record($gate))->lacks(
        $state->thread($piece) ?? $state,
        $state,
        $step,
        ['least_g' => 10.0],
        99.0,
    );
}

const SMOOTH = ['entry' => 'purge', 'is' => ['what' => 'smooth'], 'says' => 'a melt that comes smooth'];

it('holds until a choice is the one that will do: the newest counts, of its own step and piece', function (): void {
    $saw = static fn (string $what, string $step = 'test_shot', ?int $piece = null): array => [
        $step,
        $piece,
        ['what' => $what],
    ];
    expect(lacksChoice(SMOOTH, []))->toBe('log a melt that comes smooth')
        ->and(lacksChoice(SMOOTH, [$saw('lumps')]))->toBe('a melt that comes smooth')
        ->and(lacksChoice(SMOOTH, [$saw('lumps'), $saw('smooth')]))->toBeNull()
        ->and(lacksChoice(SMOOTH, [$saw('smooth'), $saw('bubbles')]))->toBe('a melt that comes smooth')
        ->and(lacksChoice(SMOOTH, [$saw('smooth', 'empty')]))->toBe('log a melt that comes smooth')
        ->and(lacksChoice(SMOOTH, [$saw('smooth', 'test_shot', 2)], 1))->toBe('log a melt that comes smooth')
        ->and(lacksChoice(SMOOTH, [$saw('smooth', 'test_shot', 1)], 1))->toBeNull();
});

it('takes no other case, type or absence for the choice', function (array $values): void {
    expect(lacksChoice(SMOOTH, [['test_shot', null, $values]]))->toBe('a melt that comes smooth');
})->with([[['what' => 'Smooth']], [['what' => true]], [['what' => ['smooth']]], [[]], [['mass_g' => 12]]]);

it('asks for a number beside it where it has one', function (): void {
    $both = SMOOTH + ['fields' => ['mass_g'], 'at_least' => 'least_g'];
    expect(lacksChoice($both, [['test_shot', null, ['what' => 'smooth', 'mass_g' => 9]]]))->not->toBeNull()
        ->and(lacksChoice($both, [['test_shot', null, ['what' => 'smooth', 'mass_g' => 10]]]))->toBeNull()
        ->and(lacksChoice($both, [['test_shot', null, ['what' => 'lumps', 'mass_g' => 10]]]))->not->toBeNull();
});
