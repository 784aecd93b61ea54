<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Interruption;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Hand;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;

/** @return array<string, mixed> */
function restarted(float $offMin, mixed ...$with): array
{
    return calculate('heat.barrel_restart', $with + [
        'polymer' => 'PP',
        'barrel_diameter_mm' => 40,
        'wall_c' => 220,
        'off_min' => $offMin,
    ]);
}

it('cools as one lump towards the room: half of what it is above it in ln 2 of its time', function (): void {
    $half = log(2) * 200 / 3;
    expect(restarted($half)['barrel_c'])->toEqualWithDelta(120.0, 1e-9)
        ->and(restarted(2 * $half)['barrel_c'])->toEqualWithDelta(70.0, 1e-9)
        ->and(restarted(0)['barrel_c'])->toEqualWithDelta(220.0, 1e-9)
        ->and(restarted(100000)['barrel_c'])->toEqualWithDelta(20.0, 1e-6)
        // At first it loses its rate.
        ->and(220 - restarted(0.01)['barrel_c'])->toEqualWithDelta(0.03, 1e-5);
});

it('waits for its steel and then for its middle, the whole soak where it froze', function (): void {
    $short = restarted(5);
    expect($short['state'])->toBe('melt')
        ->and($short['soak_min'])->toEqual(0)
        ->and($short['wait_min'])->toEqualWithDelta((220 - $short['barrel_c']) / 6, 1e-9);
    $cold = restarted(100000);
    $soak = calculate('heat.barrel_soak', [
        'polymer' => 'PP', 'barrel_diameter_mm' => 40, 'wall_c' => 220, 'feed_c' => 20, 'porosity' => 0,
    ]);
    expect($cold['state'])->toBe('solid')
        ->and($cold['soak_min'])->toEqualWithDelta($soak['soak_min_full'], 0.01)
        ->and($cold['heat_min'])->toEqualWithDelta(200 / 6, 1e-6);
});

it('takes what is read before what is reckoned, and what the machine takes over the physics', function (): void {
    $read = restarted(60, read_c: 210.0);
    expect($read['barrel_c'])->toEqual(210)
        ->and($read['soak_min'])->toEqual(0)
        ->and($read['heat_min'])->toEqualWithDelta(10 / 6, 1e-9);
    expect(restarted(60, soak_factor: 1.5)['soak_min'])->toEqualWithDelta(1.5 * restarted(60)['soak_min'], 1e-9);
    // Hotter than it is set to: nothing is waited for.
    expect(restarted(60, read_c: 230.0)['wait_min'])->toEqual(0);
});

it('waits longer the longer it stood, and less where a screw holds the melt', function (): void {
    $before = 0.0;
    foreach ([0, 3, 10, 20, 30, 60, 120, 400] as $minutes) {
        $wait = restarted($minutes)['wait_min'];
        expect($wait)->toBeGreaterThanOrEqual($before)
            ->and(restarted($minutes, screw: true)['wait_min'])->toBeLessThanOrEqual($wait);
        $before = $wait;
    }
});

it('says what a cold plug does, and when the melt has stood too long', function (): void {
    expect(implode(' ', restarted(200)['warnings']))->toContain('cold plug');
    expect(restarted(5)['warnings'])->toBe([]);
    $pom = restarted(40, polymer: 'POM', wall_c: 205, barrel_diameter_mm: 30);
    expect($pom['life_used'])->toBeGreaterThan(1)->and(implode(' ', $pom['warnings']))->toContain('purge all of it');
});

it('refuses a set-point that melts nothing', function (): void {
    expect(fn () => restarted(10, wall_c: 15))->toThrow(InputError::class, 'no hotter than the room');
    expect(fn () => restarted(10, wall_c: 120))->toThrow(InputError::class, 'does not melt it');
});

/** @return array{RunMachine, RunState, Closure(string, float, array<string, mixed>): ?InputError} a run of shots under way */
function shotsUnderWay(string $process = 'injection'): array
{
    $plan = ['barrel_ready_c' => 195.0, 'soak_min' => 10.0, 'cool_min' => 1.0, 'fill_min' => 5.0, 'chill_min' => 2.0,
        'tank_min' => 8.0, 'pieces' => 5.0];
    $machine = new RunMachine(new Procedure((new Processes(new Registry))->get($process)->procedure()), $plan);
    $state = new RunState;
    $tell = static function (string $type, float $at, array $data = []) use ($machine, $state): ?InputError {
        $event = new Event("break-{$type}-{$at}-".count($state->keys), EventType::from($type), $at, 'Ines', $data);
        $error = $machine->refuses($state, $event);
        if ($error === null) {
            $machine->apply($state, $event);
        }

        return $error;
    };
    $tell('started', 0);
    foreach ($machine->procedure->steps() as $step) {
        if ($step->phase->value !== 'setup') {
            continue;
        }
        foreach (array_keys($step->confirm) as $item) {
            $tell('confirmed', 1, ['step' => $step->id, 'item' => $item]);
        }
        foreach ([['zones', ['barrel_c' => 200]], ['load', ['mass_g' => 500]], ['purge', ['what' => 'smooth', 'mass_g' => 20]]] as [$entry, $values]) {
            $tell('logged', 1, ['entry' => $entry, 'values' => $values]);
        }
        $tell('step_done', 1, ['step' => $step->id, 'reason' => 'for the test']);
    }
    expect($state->step)->toBeNull();

    return [$machine, $state, $tell];
}

it('lets nothing that needs heat go on while it stands, nor before it is hot through', function (string $process, string $step): void {
    [$machine, $state, $tell] = shotsUnderWay($process);
    $tell('piece_begun', 100, ['piece' => 1]);
    expect($tell('interrupted', 110, ['reason' => 'The power went']))->toBeNull()
        ->and((string) $tell('piece_begun', 115, ['piece' => 2])?->getMessage())->toContain('not yet')
        ->and((string) $tell(
            'step_done',
            120,
            ['step' => $step, 'piece' => 1],
        )?->getMessage())->toContain('it is interrupted')
        ->and($tell('interrupted', 130, ['reason' => 'again'])?->field)->toBe('type')
        ->and($tell('resumed', 700, ['wait_min' => 12, 'read_c' => 150]))->toBeNull()
        ->and((string) $tell(
            'step_done',
            710,
            ['step' => $step, 'piece' => 1],
        )?->getMessage())->toContain('hot through again: 11:50 to go')
        ->and($machine->next($state)->at ?? 700 + 12 * 60.0)->toEqual(700 + 12 * 60.0)
        ->and($tell('step_done', 1421, ['step' => $step, 'piece' => 1]))->toBeNull()
        // What was asked for once is not asked for again.
        ->and($state->timers[RunMachine::RESTART]['answered_at'])->toEqual(1421);
})->with([['injection', 'shoot'], ['extrusion', 'mount']]);

it('is not waited for less by the steps after one that was gone on from anyway', function (): void {
    $machine = new RunMachine(
        new Procedure((new Processes(new Registry))->get('injection')->procedure()),
        ['barrel_ready_c' => 195.0, 'soak_min' => 10.0],
    );
    $state = new RunState;
    $state->startedAt = 0.0;
    $state->step = 'soak';
    $tell = static fn (EventType $type, float $at, array $data): ?InputError => ($error = $machine->refuses(
        $state,
        $event = new Event("anyway-{$at}", $type, $at, 'Ines', $data),
    )) ?? $machine->apply($state, $event);
    $tell(EventType::Interrupted, 10, ['reason' => 'The power went']);
    $tell(EventType::Resumed, 20, ['wait_min' => 30]);
    expect($tell(EventType::StepDone, 60, ['step' => 'soak', 'reason' => 'it is hot']))->toBeNull()
        ->and($state->step)->toBe('test_shot')
        ->and($machine->missing($state, 'test_shot', 60)[0])->toBe('hot through again: 29:20 to go')
        ->and($machine->missing($state, 'test_shot', 1821))->toHaveCount(1);
});

it('stops the clocks of heat meanwhile, and lets those of cooling go on', function (): void {
    $press = new RunMachine(
        new Procedure((new Processes(new Registry))->get('compression')->procedure()),
        ['heat_min' => 12.0, 'cool_min' => 6.0],
    );
    foreach ([['heat', 12.0, 600.0], ['cool', 6.0, 0.0]] as [$timer, $minutes, $more]) {
        $state = new RunState;
        $state->startedAt = 0.0;
        $state->timers[$timer] = [
            'id' => $timer, 'started_at' => 0.0, 'ends_at' => 60 * $minutes, 'minutes' => $minutes,
            'answered_at' => null,
        ];
        $press->apply(
            $state,
            new Event('a-break-1', EventType::Interrupted, 60.0, 'Ines', ['reason' => 'The power went']),
        );
        $press->apply($state, new Event('a-break-2', EventType::Resumed, 660.0, 'Ines', ['wait_min' => 0]));
        expect($state->timers[$timer]['ends_at'])->toEqual(60 * $minutes + $more);
    }
});

it('calls for the hand that says when it goes on, and for what cools; a clock of heat that stands rings nobody', function (): void {
    $press = new RunMachine(
        new Procedure((new Processes(new Registry))->get('compression')->procedure()),
        ['heat_min' => 12.0, 'cool_min' => 6.0],
    );
    $calls = static function (string $timer, float $ends, bool $stands) use ($press): array {
        $state = new RunState;
        $state->startedAt = 0.0;
        $state->step = array_values(array_filter(
            $press->procedure->steps(),
            static fn ($s): bool => $s->timer === $timer,
        ))[0]->id;
        $state->timers[$timer] = [
            'id' => $timer, 'started_at' => 0.0, 'ends_at' => $ends, 'minutes' => $ends / 60, 'answered_at' => null,
        ];
        if ($stands) {
            $press->apply(
                $state,
                new Event('a-break-1', EventType::Interrupted, 60.0, 'Ines', ['reason' => 'The power went']),
            );
        }

        return array_map(static fn (Hand $h): array => [$h->at, $h->timer, $h->why], $press->calls($state));
    };
    $still = [60.0, null, 'The power went'];
    $rings = static fn (array $calls): array => array_column($calls, 1);
    expect($rings($calls('heat', 720.0, false)))->toContain('heat')
        ->and($calls('heat', 720.0, true))->toBe([$still])
        ->and($calls('cool', 360.0, true)[0])->toBe($still)
        ->and($rings($calls('cool', 360.0, true)))->toBe([null, 'cool']);
});

it('stands still no more once it is over', function (): void {
    [$machine, $state, $tell] = shotsUnderWay();
    $tell('interrupted', 100, ['reason' => 'The power went']);
    expect($state->stands()['reason'] ?? null)->toBe('The power went');
    $tell('aborted', 200, ['reason' => 'nobody comes back to it']);
    expect($state->status)->toBe(RunState::ABORTED)
        ->and($state->interruptedSince())->toBeNull()
        ->and($machine->calls($state))->toBe([]);
});

it('owes what the wait before had still to go, where it is interrupted again', function (): void {
    [, $state, $tell] = shotsUnderWay();
    $tell('interrupted', 100, ['reason' => 'The power went']);
    expect($state->owedMin())->toBe(0.0);
    $tell('resumed', 200, ['wait_min' => 10]);
    $tell('interrupted', 500, ['reason' => 'again']);
    expect($state->owedMin())->toEqualWithDelta(5.0, 1e-9);
    $tell('resumed', 600, ['wait_min' => 1]);
    $tell('interrupted', 5000, ['reason' => 'and again']);
    expect($state->owedMin())->toBe(0.0);
});

it('refuses a break without a reason, and a return that cannot be', function (): void {
    [, , $tell] = shotsUnderWay();
    expect($tell('resumed', 100, ['wait_min' => 5])?->field)->toBe('type')
        ->and($tell('interrupted', 100, [])?->field)->toBe('data.reason');
    $tell('interrupted', 100, ['reason' => 'night']);
    expect($tell('resumed', 90, ['wait_min' => 5])?->field)->toBe('at')
        ->and($tell('resumed', 110, [])?->field)->toBe('data.wait_min')
        ->and($tell('resumed', 110, ['wait_min' => -1])?->field)->toBe('data.wait_min')
        ->and($tell('resumed', 110, ['wait_min' => NAN])?->field)->toBe('data.wait_min')
        ->and($tell('resumed', 110, ['wait_min' => '5'])?->field)->toBe('data.wait_min')
        ->and($tell('resumed', 110, ['wait_min' => 5, 'read_c' => 1e9])?->field)->toBe('data.read_c')
        ->and($tell('resumed', 110, ['wait_min' => 600.1])?->field)->toBe('data.wait_min')
        ->and($tell('resumed', 110, ['wait_min' => 5, 'read_c' => -50.1])?->field)->toBe('data.read_c')
        ->and($tell('resumed', 110, ['wait_min' => 5, 'read_c' => 600.1])?->field)->toBe('data.read_c');
});

it('takes a return at the moment of the break, and the longest wait and the ends of what is read', function (array $said): void {
    [, $state, $tell] = shotsUnderWay();
    $tell('interrupted', 100, ['reason' => 'night']);
    expect($tell('resumed', 100, $said))->toBeNull()->and($state->interruptedSince())->toBeNull();
})->with([
    'none' => [['wait_min' => 0]],
    'the longest' => [['wait_min' => 600]],
    'coldest' => [['wait_min' => 5, 'read_c' => -50]],
    'hottest' => [['wait_min' => 5, 'read_c' => 600]],
]);

it('marks what was under way when it was interrupted, and nothing else', function (): void {
    [, $state, $tell] = shotsUnderWay();
    $moulding = (new Processes(new Registry))->get('injection');
    $done = static function (int $piece, float $at) use ($tell): void {
        $tell('piece_begun', $at, ['piece' => $piece]);
        $tell('step_done', $at, ['step' => 'shoot', 'piece' => $piece]);
        $tell('step_done', $at + 61, ['step' => 'cool', 'piece' => $piece]);
        $tell('logged', $at + 62, ['entry' => 'disposition', 'piece' => $piece, 'values' => ['verdict' => 'good']]);
        $tell('step_done', $at + 63, ['step' => 'judge', 'piece' => $piece]);
    };
    $done(1, 100);
    $tell('piece_begun', 200, ['piece' => 2]);
    $tell('step_done', 200, ['step' => 'shoot', 'piece' => 2]);
    $tell('interrupted', 210, ['reason' => 'The power went']);
    $tell('resumed', 400, ['wait_min' => 1]);
    $tell('step_done', 410, ['step' => 'cool', 'piece' => 2]);
    $tell('logged', 411, ['entry' => 'disposition', 'piece' => 2, 'values' => ['verdict' => 'good']]);
    $tell('step_done', 412, ['step' => 'judge', 'piece' => 2]);
    $done(3, 500);
    expect($moulding->flags($state, $state->pieces[1]))->toBe([])
        ->and($moulding->flags($state, $state->pieces[2]))->toBe(['under way when it was interrupted: The power went'])
        ->and($moulding->flags($state, $state->pieces[3]))->toBe([]);
});

it('is asked of a machine as it is known, and of none that nobody has measured', function (): void {
    $polymer = (new PolymerLibrary)->get('PP');
    $injection = (new Processes(new Registry))->get('injection');
    $lever = $injection->restart(new Interruption(
        new Record(['barrel_diameter_mm' => 40]),
        ['melt_c' => 220.0],
        [],
        $polymer,
        60,
    ));
    expect($lever?->wait_min)->toEqualWithDelta(restarted(60)['wait_min'], 1e-6)
        ->and($injection->restart(new Interruption(new Record([]), ['melt_c' => 220.0], [], $polymer, 60)))->toBeNull();
    $banded = $injection->restart(new Interruption(
        new Record(['screw_diameter_mm' => 25, 'heater_w' => 3600, 'barrel_kg' => 28]),
        ['melt_c' => 220.0],
        ['soak_input' => ['soak_factor' => 2.0]],
        $polymer,
        60,
        20.0,
    ));
    // m·c·ΔT over the share of its bands that stays in the steel
    expect($banded?->heat_min)->toEqualWithDelta(28 * 0.49 * 200 / (0.7 * 3.6) / 60, 1e-6);
    $extruder = (new Processes(new Registry))->get('extrusion');
    expect($extruder->restart(new Interruption(
        new Record(['screw_diameter_mm' => 30]),
        ['melt_c' => 200.0],
        [],
        $polymer,
        5,
    ))?->state->value)
        ->toBe('melt');
    $press = (new Processes(new Registry))->get('compression');
    expect($press->restart(new Interruption(new Record([]), ['platen_c' => 180.0], [], $polymer, 5)))->toBeNull();
});

it('shows of a run that stands still what went by and what cools, and nothing that would come', function (): void {
    $b = bench()->toHeat();
    $later = $b->now + 60;
    $coming = static fn (float $at): array => array_column(array_filter(
        $b->machine->stretches($b->state, $at),
        static fn (array $s): bool => $s['phase'] === 'coming',
    ), 'step');
    expect($coming($later))->toContain('heat', 'transfer', 'cool');
    $b->now = $later;
    $b->tell(EventType::Interrupted, ['reason' => 'The power went']);
    expect($coming($later + 60))->toBe([])
        ->and(array_column($b->machine->stretches($b->state, $later + 60), 'step'))->toContain('heat');
    $b->now = $later + 120;
    $b->tell(EventType::Resumed, ['wait_min' => 0.0]);
    $b->now += 720;
    foreach (['heat', 'transfer', 'pressure_on'] as $step) {
        $b->done($step);
    }
    $b->tell(EventType::Interrupted, ['reason' => 'The power went']);
    expect($b->state->step)->toBe('cool')->and($coming($b->now + 10))->toBe(['cool']);
});
