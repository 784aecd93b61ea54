<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Foot;
use Dithermic\Core\Run\Hold;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

require_once __DIR__.'/walk.php';

/** A run of shots whose set-up is over, and a foot switch beside it. */
final class AtTheSwitch
{
    public RunState $state;

    public float $now = 1_000_000.0;

    private int $n = 0;

    public function __construct(public RunMachine $machine)
    {
        $this->state = new RunState;
        $this->tell(EventType::Started);
        while (($step = $machine->procedure->step((string) $this->state->step)) !== null) {
            foreach (throughStep($machine->procedure, $step, $machine->plan) as $e) {
                $this->tell(EventType::from($e['type']), $e['data']);
            }
        }
    }

    /** @param  array<string, mixed>  $data */
    public function tell(EventType $type, array $data = []): void
    {
        $event = new Event('f'.$this->n++, $type, $this->now, 'Jun', $data);
        $refused = $this->machine->refuses($this->state, $event);
        expect($refused?->getMessage())->toBeNull();
        $this->machine->apply($this->state, $event);
    }

    /** @return list<string> */
    public function press(string $signal = Foot::PRESS): array
    {
        $says = (new Foot($this->machine))->says($this->state, $signal, $this->now);
        foreach ($says as $e) {
            $this->tell($e['type'], $e['data']);
        }

        return array_map(static fn (array $e): string => $e['type']->value, $says);
    }
}

function moulding(int $pieces = 20): AtTheSwitch
{
    $procedure = shipped('injection');

    return new AtTheSwitch(new RunMachine(
        $procedure,
        ['cool_min' => 0.5, 'pieces' => $pieces] + array_fill_keys($procedure->body['plan'], 1.0),
    ));
}

it('makes a good piece with one press as it is full and one when it is out', function (): void {
    $at = moulding();
    expect($at->press())->toBe(['piece_begun', 'step_done']);
    expect($at->state->pieces[1]->step)->toBe('cool');
    // It passes no gate: the part is hot.
    expect(static fn () => $at->press())->toThrow(InputError::class, 'to go');
    $at->now += 31;
    expect($at->press())->toBe(['step_done', 'logged', 'step_done'])
        ->and($at->state->pieces[1]->outcome)->toBe(Thread::DONE)
        ->and($at->state->latest('disposition', 'judge', 1))->toBe(['verdict' => 'good']);
    // And on to the next.
    expect($at->press())->toBe(['piece_begun', 'step_done'])->and($at->state->pieces)->toHaveCount(2);
});

it('begins no more than were planned: a foot asks for no further piece', function (): void {
    $at = moulding(2);
    foreach ([1, 2] as $ignored) {
        $at->press();
        $at->now += 31;
        $at->press();
    }
    expect($at->machine->next($at->state))->toBeNull();
    expect(static fn () => $at->press())->toThrow(InputError::class, 'between its steps');
    // A hand may: what was taken out, or one more than planned.
    $at->tell(EventType::PieceBegun, ['piece' => 3]);
    $at->tell(EventType::PieceDropped, ['piece' => 3, 'reason' => 'a test']);
    expect($at->machine->next($at->state))->toBeNull();
});

it('rejects with a long press where a verdict is wanted, and nowhere else', function (): void {
    $at = moulding();
    expect(static fn () => $at->press(Foot::LONG))->toThrow(InputError::class, 'nothing to reject');
    $at->press();
    expect(static fn () => $at->press(Foot::LONG))->toThrow(InputError::class, 'nothing to reject');
    $at->now += 31;
    $at->press(Foot::LONG);
    expect($at->state->latest('disposition', 'judge', 1))->toMatchArray(['verdict' => 'scrap']);
});

it('says nothing of a run that is over, and stops where a step asks for more than a foot', function (): void {
    $at = moulding();
    $at->tell(EventType::Closing);
    expect(static fn () => $at->press())->toThrow(InputError::class, 'passes no gate');
    $at->tell(EventType::Aborted, ['reason' => 'a test']);
    expect(static fn () => $at->press())->toThrow(InputError::class, 'aborted');
});

it('asks for nothing while no hand is free: a press alone goes on', function (Definition $process): void {
    $procedure = new Procedure($process->procedure());
    $none = array_filter($procedure->steps(), static fn ($s): bool => $s->hands === Hold::None);
    foreach ($none as $step) {
        expect([
            $step->id, $step->confirm, $step->entries,
            array_filter($step->gates, static fn ($g): bool => $g->timer === null),
        ])
            ->toBe([$step->id, [], [], []]);
    }
    // Where both hands are at the machine the process says so.
    expect(array_values($none))->not->toBe([]);
})->with(static fn (): array => array_map(
    static fn (Definition $p): array => [$p],
    (new Processes(new Registry))->all(),
));

it('never says what the run would refuse, wherever its pieces are', function (): void {
    mt_srand(crc32((string) getenv('DITHERMIC_SEED') ?: 'foot'));
    foreach (range(1, 40) as $_) {
        $at = moulding();
        foreach (range(1, 25) as $__) {
            $at->now += mt_rand(0, 25);
            try {
                $at->press(mt_rand(0, 4) === 0 ? Foot::LONG : Foot::PRESS);
            } catch (InputError $error) {
                expect($error->field)->toBe('signal');
            }
        }
        expect($at->state->pieces)->not->toBe([]);
    }
});

/**
 * What a press says after each entry of the written runs, then and two hours later; nothing where it is refused.
 *
 * @return array<string, list<array{string, string}>> by run
 */
function pressesOfWrittenRuns(): array
{
    $file = json_decode((string) file_get_contents(__DIR__.'/conformance/runs.json'), true);
    $says = [];
    foreach ($file['runs'] as $run) {
        $procedure = $file['procedures'][$run['procedure']];
        $machine = new RunMachine(new Procedure($procedure['body']), $procedure['plan']);
        $state = new RunState;
        foreach ($run['events'] as $i => $e) {
            $machine->apply(
                $state,
                new Event($e['key'], EventType::from($e['type']), (float) $e['at'], $e['by'], $e['data']),
            );
            $at = (float) $run['folds'][$i]['at'];
            $says[$run['name']][] = [pressInShort($machine, $state, $at), pressInShort($machine, $state, $at + 7200)];
        }
    }

    return $says;
}

function pressInShort(RunMachine $machine, RunState $state, float $at): string
{
    try {
        $said = (new Foot($machine))->says($state, Foot::PRESS, $at);
    } catch (InputError) {
        return '';
    }

    return implode('; ', array_map(static fn (array $e): string => implode(' ', array_filter([
        $e['type']->value,
        $e['data']['step'] ?? $e['data']['entry'] ?? '',
        $e['data']['values']['verdict'] ?? '',
        (string) ($e['data']['piece'] ?? ''),
    ], static fn (string $part): bool => $part !== '')), $said));
}

it('says without a screen what it says at one', function (): void {
    // The screens are held to the same file (resources/js/offline/conformance.test.ts).
    $written = json_decode((string) file_get_contents(__DIR__.'/conformance/foot.json'), true);
    expect(pressesOfWrittenRuns())->toBe($written)->and(count($written))->toBeGreaterThan(5);
});
