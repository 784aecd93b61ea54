<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Process\Zones;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/** @param  list<array{float, array<string, mixed>}>  $logged  when, and what was said of a zone */
function zoned(array $logged): RunState
{
    $state = new RunState;
    foreach ($logged as $i => [$at, $values]) {
        $state->entries["z{$i}"] = [
            'key' => "z{$i}", 'entry' => 'zone', 'at' => $at, 'by' => 'Ines Halloran', 'values' => $values,
            'step' => null,
            'corrected' => 0, 'piece' => null,
        ];
    }

    return $state;
}

/** A piece whose step was done at a moment. */
function shotAt(string $step, ?float $at): Thread
{
    $piece = new Thread(1);
    if ($at !== null) {
        $piece->done[$step] = ['at' => $at, 'by' => 'Ines Halloran', 'reason' => null, 'began' => $at - 10];
    }

    return $piece;
}

const BLIND = ['zone' => '2', 'what' => 'its sensor is dead', 'percent' => 45];

it('is in hand from when it was said until it is mended', function (): void {
    $state = zoned([[100.0, BLIND], [300.0, ['zone' => '2', 'what' => 'mended']]]);
    expect(Zones::inHand($state, 50.0))->toBe([])
        ->and(Zones::inHand($state, 100.0))->toBe(['zone 2: its sensor is dead, at 45 % of its power by hand'])
        ->and(Zones::inHand($state, 299.0))->toHaveCount(1)
        ->and(Zones::inHand($state))->toBe([]);
});

it('keeps zones apart, and the newest of each', function (): void {
    $state = zoned([
        [100.0, BLIND],
        [150.0, ['zone' => 'nozzle', 'what' => 'it does not heat']],
        [200.0, ['percent' => 52] + BLIND],
    ]);
    expect(Zones::inHand($state))->toBe([
        'zone 2: its sensor is dead, at 52 % of its power by hand',
        'zone nozzle: it does not heat',
    ]);
});

it('marks the pieces that were made so, and none before or after', function (string $process, string $step): void {
    $of = (new Processes(new Registry))->get($process);
    $state = zoned([[100.0, BLIND], [300.0, ['zone' => '2', 'what' => 'mended']]]);
    $flags = static fn (?float $at): array => $of->flags($state, shotAt($step, $at));
    expect($flags(99.0))->toBe([])
        ->and($flags(200.0))->toBe(['made with zone 2: its sensor is dead, at 45 % of its power by hand'])
        ->and($flags(301.0))->toBe([])
        // What is not made yet is marked by nothing.
        ->and($flags(null))->toBe([]);
})->with([['injection', 'shoot'], ['extrusion', 'fill']]);

it('marks nothing in a process that has no barrel', function (string $process): void {
    $of = (new Processes(new Registry))->get($process);
    expect($of->troubles(zoned([[100.0, BLIND]])))->toBe([])
        ->and($of->flags(zoned([[100.0, BLIND]]), shotAt('heat', 200.0)))->toBe([]);
})->with(['compression', 'vacuum_forming']);

it('asks for the power of a zone whose sensor is dead, and for no power that is none', function (string $process): void {
    $entry = (new Procedure((new Processes(new Registry))->get($process)->procedure()))->entry('zone');
    $refuses = static fn (array $values): ?string => $entry?->refuses($values)?->field;
    expect($refuses(BLIND))->toBeNull()
        ->and($refuses(['zone' => '2', 'what' => 'its sensor is dead']))->toBe('values.percent')
        ->and($refuses(['percent' => 0] + BLIND))->toBe('values.percent')
        ->and($refuses(['percent' => 100] + BLIND))->toBeNull()
        ->and($refuses(['percent' => 101] + BLIND))->toBe('values.percent')
        ->and($refuses(['zone' => '9'] + BLIND))->toBe('values.zone')
        ->and($refuses(['zone' => '1', 'what' => 'mended']))->toBeNull();
})->with(['injection', 'extrusion']);
