<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Shift;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Schedule\RunLength;

/** @param  array<string, mixed>  $piece  steps of a piece */
function lengthOf(array $steps, array $places, array $targets = ['cool_min' => 10.0]): RunLength
{
    return RunLength::of(new Procedure([
        'id' => 'x', 'version' => 1, 'process' => 'x', 'title' => 'x', 'plan' => ['cool_min'],
        'piece' => ['title' => 'piece'],
        'places' => $places,
        'stages' => [['id' => 's', 'title' => 's']],
        'timers' => [['id' => 'cool', 'title' => 'Cooling', 'minutes' => 'cool_min', 'kind' => 'cool']],
        'entries' => [], 'schools' => [],
        'steps' => array_map(static fn (array $s): array => $s + [
            'stage' => 's', 'place' => 'bench', 'people' => 1, 'title' => 't', 'do' => 'd', 'why' => 'w',
            'button' => 'b',
            'pass_anyway' => 'reason', 'phase' => 'piece',
        ], $steps),
    ]), $targets);
}

const BENCH = ['bench' => ['title' => 'bench'], 'mould' => ['title' => 'mould', 'holds' => 1]];

it('takes the first whole, and for each further what the fullest place takes', function (): void {
    $steps = [
        ['id' => 'warm', 'phase' => 'setup', 'typical_min' => 20],
        ['id' => 'fill', 'place' => 'mould', 'typical_min' => 2, 'starts' => 'cool'],
        ['id' => 'cool', 'place' => 'mould', 'people' => 0, 'timer' => 'cool'],
        ['id' => 'look', 'typical_min' => 3],
        ['id' => 'off', 'phase' => 'closing', 'typical_min' => 5],
    ];
    $one = lengthOf($steps, BENCH);
    // Hands take 15 % over what is usual; the look that follows on the mould is over before the mould calls again.
    $each = 12.3;
    expect($one->setUpMin)->toEqualWithDelta(23.0, 1e-9)
        ->and($one->firstMin)->toEqualWithDelta(15.75, 1e-9)
        ->and($one->closingMin)->toEqualWithDelta(5.75, 1e-9)
        ->and($one->eachMin)->toEqualWithDelta($each, 1e-9)
        ->and($one->whole(1))->toEqualWithDelta(44.5, 1e-9)
        ->and($one->whole(4))->toEqualWithDelta(44.5 + 3 * $each, 1e-9)
        ->and($one->untilFirst())->toEqualWithDelta(38.75, 1e-9);
    // Three moulds in circulation: now the hands are the fullest.
    $three = lengthOf($steps, ['mould' => ['title' => 'mould', 'holds' => 3]] + BENCH);
    expect($three->eachMin)->toEqualWithDelta(5.75, 1e-9);
});

it('waits for hands that another clock has called away: half the square of their work over the cycle', function (): void {
    $places = ['tank' => ['title' => 'tank']] + BENCH;
    $steps = [
        ['id' => 'fill', 'place' => 'mould', 'typical_min' => 2, 'starts' => 'cool'],
        ['id' => 'cool', 'place' => 'mould', 'people' => 0, 'timer' => 'cool'],
        ['id' => 'soak', 'place' => 'tank', 'people' => 0, 'timer' => 'cool'],
        ['id' => 'look', 'typical_min' => 3],
    ];
    expect(lengthOf($steps, $places)->eachMin)->toEqualWithDelta(12.3 + 3.45 ** 2 / (2 * 12.3), 1e-9);
});

it('says how many are there after a while, none before the first', function (): void {
    $length = new RunLength(20.0, 15.0, 12.0, 5.0);
    expect(array_map($length->within(...), [0.0, 34.9, 35.0, 46.9, 47.0, 95.0]))->toBe([0, 0, 1, 1, 2, 6]);
    for ($n = 1; $n < 30; $n++) {
        expect($length->within($length->whole($n) - $length->closingMin))->toBe($n);
    }
});

it('is what people at a plant take, more or less', function (string $process, int $pieces): void {
    [$polymer, $product, $machines] = SHIFTS[$process];
    $definition = (new Processes(new Registry(new PolymerLibrary)))->get($process);
    $job = new Job($polymer, [(string) $definition->counts() => (float) $pieces] + $product, $machines);
    $plan = $definition->plan($job);
    $procedure = new Procedure($definition->procedureFor($plan));
    $length = RunLength::of($procedure, (array) $plan->targets);
    $took = [];
    for ($day = 1; $day <= 4; $day++) {
        $dice = new Dice($day);
        $plant = $definition->plant($job, $plan, (new PolymerLibrary)->get($polymer), new Dice(1), $dice);
        $run = (new Shift(new RunMachine($procedure, (array) $plan->targets), $plant, $dice, ['Ines', 'Jun'], 'r'))
            ->run(1_790_000_000.0, $pieces);
        $done = array_filter($run->events, static fn ($e): bool => $e->type === EventType::StepDone);
        $took[] = (end($done)->at - $run->events[0]->at) / 60;
    }
    $mean = array_sum($took) / count($took);
    expect($length->whole($pieces))->toBeGreaterThan(0.5 * $mean)->toBeLessThan(1.5 * $mean);
})->with([['compression', 5], ['extrusion', 6], ['vacuum_forming', 5], ['injection', 8]]);
