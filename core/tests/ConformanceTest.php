<?php

declare(strict_types=1);

use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Hand;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;

/**
 * Runs as JSON, event by event with what they add up to, as they were folded when they were written down. A run keeps
 * its procedure's version and replays for ever: these may be added to, never changed. The screens' overlay and gates
 * are held to the same file (resources/js/offline/conformance.test.ts).
 */
function writtenRuns(): Generator
{
    $file = json_decode((string) file_get_contents(__DIR__.'/conformance/runs.json'), true);
    foreach ($file['runs'] as $run) {
        yield $run['name'] => [$file['procedures'][$run['procedure']], $run];
    }
}

it('folds a run as it was folded when it was written down', function (array $procedure, array $run): void {
    $machine = new RunMachine(new Procedure($procedure['body']), $procedure['plan']);
    $state = new RunState;
    foreach ($run['events'] as $i => $e) {
        $event = new Event($e['key'], EventType::from($e['type']), (float) $e['at'], $e['by'], $e['data']);
        expect($machine->refuses($state, $event))->toBeNull();
        $machine->apply($state, $event);
        expect(foldedLike($machine, $state, (float) $run['folds'][$i]['at']))->toEqual($run['folds'][$i]);
    }
})->with(writtenRuns(...));

/** @return array<string, mixed> */
function foldedLike(RunMachine $machine, RunState $state, float $at): array
{
    $fold = [
        'at' => $at,
        'status' => $state->status,
        'step' => $state->step,
        'step_since' => $state->stepSince,
        'done' => array_keys($state->done),
        'timers' => array_map(
            static fn (array $t): array => [
                'id' => $t['id'],
                'started_at' => $t['started_at'],
                'ends_at' => round($t['ends_at'], 3),
                'answered_at' => $t['answered_at'],
            ],
            array_values($state->timers),
        ),
        'entries' => array_map(
            static fn (array $e): array => [$e['key'], $e['step'], $e['corrected'], $e['values']],
            array_values($state->entries),
        ),
        'missing' => $state->step === null ? [] : $machine->missing($state, $state->step, $at),
        'hands' => array_map(
            static fn (Hand $h): array => [round($h->at, 3), $h->what, $h->entry, $h->timer],
            $machine->hands($state),
        ),
    ];
    if ($machine->procedure->hasPieces()) {
        $fold['closing'] = $state->closing;
        $fold['pieces'] = array_map(static fn ($p): array => [
            'piece' => $p->piece,
            'outcome' => $p->outcome,
            'step' => $p->step,
            'done' => array_keys($p->done),
            'ends_at' => array_column($p->timers, 'ends_at', 'id'),
            'missing' => $p->step === null ? [] : $machine->missing($state, $p->step, $at, $p->piece),
        ], array_values($state->pieces));
    }

    return $fold;
}
