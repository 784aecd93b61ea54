<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Run\Entry;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Gate;
use Dithermic\Core\Run\Hold;
use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Stations;
use Dithermic\Core\Run\Step;

/** A state in which one entry of a step was logged. */
function loggedIn(string $step, array $values, ?int $piece = null): RunState
{
    $state = new RunState;
    $state->entries['k'] = [
        'key' => 'k',
        'entry' => 'weigh',
        'at' => 1.0,
        'by' => 'Ines',
        'values' => $values,
        'step' => $step,
        'corrected' => 0,
        'piece' => $piece,
    ];

    return $state;
}

function weighStep(): Step
{
    return Step::of(new Record([
        'id' => 'weigh',
        'stage' => 'a',
        'place' => 'bench',
        'people' => 1,
        'title' => 'Weigh',
        'why' => 'x',
        'entries' => ['weigh'],
        'confirm' => [['id' => 'clean', 'text' => 'Pan is clean']],
    ]));
}

it('holds a number to its gate, at the edges too', function (array $gate, mixed $value, ?string $lacks): void {
    $gate = Gate::of(new Record($gate + ['entry' => 'weigh', 'fields' => ['mass_g'], 'says' => 'the mass right']));
    expect($gate->lacks(
        new RunState,
        loggedIn('weigh', ['mass_g' => $value]),
        weighStep(),
        ['want' => 100.0, 'tol' => 2.0],
        5.0,
    ))->toBe($lacks);
})->with([
    'near, on it' => [['near' => 'want', 'tolerance' => 'tol'], 102.0, null],
    'near, past it' => [['near' => 'want', 'tolerance' => 'tol'], 102.001, 'the mass right'],
    'near, under it' => [['near' => 'want', 'tolerance' => 'tol'], 97.9, 'the mass right'],
    'at least, on it' => [['at_least' => 'want'], 100.0, null],
    'at least, under' => [['at_least' => 'want'], 99.999, 'the mass right'],
    'at most, on it' => [['at_most' => 'want'], 100, null],
    'at most, over' => [['at_most' => 'want'], 100.1, 'the mass right'],
    'a text is no number' => [['at_least' => 'want'], 'much', 'the mass right'],
    'nothing asked of it' => [[], 3.0, null],
]);

it('asks for an entry of this very step and thread', function (): void {
    $gate = Gate::of(new Record(['entry' => 'weigh', 'says' => 'the mass']));
    $lacks = static fn (RunState $state): ?string => $gate->lacks(new RunState, $state, weighStep(), [], 5.0);
    expect($lacks(new RunState))->toBe('log the mass')
        ->and($lacks(loggedIn('preheat', ['mass_g' => 1])))
        ->toBe('log the mass')
        ->and($lacks(loggedIn('weigh', ['mass_g' => 1], 1)))
        ->toBe('log the mass')
        ->and($lacks(loggedIn('weigh', ['mass_g' => 1])))
        ->toBeNull();
});

it('asks for a confirmation by its words, and a timer by its time', function (): void {
    $confirmed = Gate::of(new Record(['confirmed' => ['clean']]));
    $state = new RunState;
    expect($confirmed->lacks($state, $state, weighStep(), [], 5.0))->toBe('confirm: pan is clean');
    $state->confirmed['weigh']['clean'] = 4.0;
    expect($confirmed->lacks($state, $state, weighStep(), [], 5.0))->toBeNull();
    $timer = Gate::of(new Record(['timer' => 'heat', 'says' => 'the heat']));
    expect($timer->lacks($state, $state, weighStep(), [], 5.0))->toBe('the heat');
    $state->timers['heat'] = [
        'id' => 'heat',
        'started_at' => 0.0,
        'ends_at' => 100.0,
        'minutes' => 1.7,
        'answered_at' => null,
    ];
    expect($timer->lacks($state, $state, weighStep(), [], 39.2))->toBe('the heat: 1:01 to go')
        ->and($timer->lacks($state, $state, weighStep(), [], 99.4))->toBe('the heat: 0:01 to go')
        ->and($timer->lacks($state, $state, weighStep(), [], 99.5))->toBeNull();
});

it('takes the values of an entry, or refuses them by field', function (array $values, ?string $field): void {
    $entry = Entry::of(new Record(['id' => 'check', 'title' => 'Check', 'fields' => [
        ['id' => 'mass_g', 'label' => 'Mass', 'required' => true, 'above' => 0],
        ['id' => 'verdict', 'label' => 'Verdict', 'kind' => 'choice', 'choices' => ['good', 'scrap']],
        ['id' => 'reason', 'label' => 'Reason', 'kind' => 'text', 'required_when' => ['verdict' => 'scrap']],
        ['id' => 'points', 'label' => 'Points', 'kind' => 'thickness_grid'],
    ]]));
    $refused = $entry->refuses($values);
    expect($refused?->field)->toBe($field);
})->with([
    [['mass_g' => 5], null],
    [['mass_g' => 5.5, 'verdict' => 'good', 'reason' => ''], null],
    [['mass_g' => 0], 'values.mass_g'],
    [['mass_g' => -1], 'values.mass_g'],
    [['mass_g' => NAN], 'values.mass_g'],
    [['mass_g' => INF], 'values.mass_g'],
    [['mass_g' => '5'], 'values.mass_g'],
    [['mass_g' => true], 'values.mass_g'],
    [['mass_g' => 2e7], 'values.mass_g'],
    [[], 'values.mass_g'],
    [['mass_g' => 5, 'colour' => 'red'], 'values.colour'],
    [['mass_g' => 5, 'verdict' => 'fine'], 'values.verdict'],
    [['mass_g' => 5, 'verdict' => 'scrap'], 'values.reason'],
    [['mass_g' => 5, 'verdict' => 'scrap', 'reason' => 'a void'], null],
    [['mass_g' => 5, 'reason' => str_repeat('x', 501)], 'values.reason'],
    [['mass_g' => 5, 'points' => [1, 2]], 'values.points'],
    [['mass_g' => 5, 'points' => 'nine'], 'values.points'],
]);

it('reads what a procedure leaves out as the usual', function (): void {
    $step = weighStep();
    expect($step->phase)->toBe(Phase::SetUp)
        ->and($step->hands)
        ->toBe(Hold::Free)
        ->and($step->gates)
        ->toBe([])
        ->and($step->timer)
        ->toBeNull()
        ->and($step->typicalMin)
        ->toBe(1.0);
    $press = shipped('compression');
    expect($press->hasPieces())->toBeFalse()
        ->and($press->first(Phase::Piece))
        ->toBeNull()
        ->and($press->pieceName())
        ->toBe('piece')
        ->and($press->steps())
        ->toHaveCount(12)
        ->and($press->step('nothing'))
        ->toBeNull()
        ->and($press->entry('pump')?->once)
        ->toBeFalse()
        ->and(array_map(
            static fn (Step $s): string => $s->id,
            $press->stepsThatLog('cue'),
        ))->toBe(['heat', 'cool', 'open', 'check']);
});

it('knows the step after one, of its own phase only', function (): void {
    $tea = new Procedure(json_decode((string) file_get_contents(__DIR__.'/conformance/tea.json'), true));
    $next = static fn (string $id): ?string => $tea->after($tea->step($id))?->id;
    expect($next('boil'))->toBeNull()
        ->and($next('fill'))
        ->toBe('steep')
        ->and($next('serve'))
        ->toBeNull()
        ->and($next('wash'))
        ->toBeNull();
});

it('refuses a plan that lacks a number which the procedure names', function (): void {
    $press = shipped('compression');
    $plan = array_fill_keys($press->body['plan'], 1.0);
    $press->checkPlan(['pump_every_min' => null] + $plan);
    foreach ([['heat_min' => null], ['heat_min' => 'long'], ['platen_c' => NAN], ['demould_c' => INF]] as $over) {
        expect(static fn () => $press->checkPlan($over + $plan))->toThrow(
            static fn (InputError $e) => expect($e->field)->toBe('plan.'.array_key_first($over)),
        );
    }
    unset($plan['pump_every_min']);
    expect(static fn () => $press->checkPlan($plan))->toThrow(InputError::class);
});

it('takes a plan of which nobody knows how many go into a place, and none without a number of carriers', function (): void {
    $bars = shipped('extrusion');
    $plan = array_fill_keys($bars->body['plan'], 1.0);
    $bars->checkPlan(['tank_places' => null] + $plan);
    expect(static fn () => $bars->checkPlan(['moulds' => null] + $plan))->toThrow(InputError::class);
});

it('holds the two presses as the written runs of the press went', function (): void {
    $file = json_decode((string) file_get_contents(__DIR__.'/conformance/runs.json'), true);
    $procedure = new Procedure($file['procedures']['compression']['body']);
    $machine = new RunMachine($procedure, $file['procedures']['compression']['plan']);
    foreach ($file['runs'] as $run) {
        if ($run['procedure'] !== 'compression') {
            continue;
        }
        $state = new RunState;
        $moved = $opened = $ended = null;
        foreach ($run['events'] as $e) {
            $machine->apply(
                $state,
                new Event($e['key'], EventType::from($e['type']), (float) $e['at'], $e['by'], $e['data']),
            );
            $done = $e['type'] === 'step_done' ? $e['data']['step'] : null;
            $moved = $done === 'transfer' ? (float) $e['at'] : $moved;
            $opened = $done === 'open' ? (float) $e['at'] : $opened;
            $ended = $state->endedAt;
            $held = Stations::of($procedure, $state);
            expect($held['hot']['from'])->toBe((float) $run['events'][0]['at'])
                ->and($held['hot']['to'])
                ->toBe($moved ?? $ended)
                ->and($held['cold']['from'] ?? null)
                ->toBe($moved)
                ->and($held['cold']['to'] ?? null)
                ->toBe($moved === null ? null : $opened)
                ->and($held)->not->toHaveKey('bench');
        }
    }
});
