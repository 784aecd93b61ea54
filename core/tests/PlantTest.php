<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Fault;
use Dithermic\Core\Practice\PressHabits;
use Dithermic\Core\Practice\Shift;
use Dithermic\Core\Practice\SimulatedRun;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;

/** A run of a process, worked by its plant from set-up to closing. */
function shift(string $process, int $day, int $truth = 1, int $pieces = 6): SimulatedRun
{
    [$polymer, $product, $machines] = SHIFTS[$process];
    $definition = (new Processes(new Registry))->get($process);
    $job = new Job($polymer, $product, $machines);
    $plan = $definition->plan($job);
    $library = new PolymerLibrary;
    $dice = new Dice($day);
    $plant = $definition->plant($job, $plan, $library->get($polymer), new Dice($truth), $dice);
    $machine = new RunMachine(new Procedure($definition->procedureFor($plan)), (array) $plan->targets);

    return (new Shift($machine, $plant, $dice, ['Ines', 'Jun'], "s{$day}"))->run(1_790_000_000.0, $pieces);
}

/** @return list<array<string, mixed>> values of what was logged of a kind */
function loggedAs(SimulatedRun $run, string $entry): array
{
    $of = array_filter(
        $run->events,
        static fn (Event $e): bool => $e->type === EventType::Logged && $e->text('entry') === $entry,
    );

    return array_values(array_map(static fn (Event $e): array => $e->values(), $of));
}

it('works a run to its end, entry by entry as the run machine lets it, the same from the same dice', function (
    string $process,
): void {
    $run = shift($process, 7);
    expect($run->events[count($run->events) - 1]->type)->toBe(EventType::StepDone)
        ->and(count(loggedAs($run, 'disposition')))->toBe(6)
        ->and(array_map(static fn (Event $e): array => [$e->type, $e->at, $e->data], $run->events))
        ->toEqual(array_map(static fn (Event $e): array => [$e->type, $e->at, $e->data], shift($process, 7)->events));
    $times = array_map(static fn (Event $e): float => $e->at, $run->events);
    $sorted = $times;
    sort($sorted);
    expect($times)->toBe($sorted)->and($run->readings)->not->toBe([]);
})->with(array_keys(SHIFTS));

it('has pieces under way one over the other where places allow', function (): void {
    $most = 0;
    $under = 0;
    foreach (shift('extrusion', 3)->events as $event) {
        $under += $event->type === EventType::PieceBegun ? 1 : 0;
        $under -= $event->type === EventType::StepDone && $event->text('step') === 'judge' ? 1 : 0;
        $most = max($most, $under);
    }
    expect($most)->toBeGreaterThan(1);
});

it('foretells within 10 % what a shift of bars really makes, held back by moulds, machine or hands', function (
    int $moulds,
    int $places,
    float $kgH,
): void {
    [$polymer, $product, $machines] = SHIFTS['extrusion'];
    $machines['barrel'] = ['tank_places' => $places, 'throughput_kg_h' => $kgH] + $machines['barrel'];
    $definition = (new Processes(new Registry))->get('extrusion');
    $job = new Job($polymer, ['moulds' => $moulds] + $product, $machines);
    $plan = $definition->plan($job);
    $machine = new RunMachine(new Procedure($definition->procedureFor($plan)), (array) $plan->targets);
    $made = [];
    foreach (range(1, 6) as $day) {
        $plant = $definition->plant($job, $plan, (new PolymerLibrary)->get($polymer), new Dice(1), new Dice($day));
        $run = (new Shift($machine, $plant, new Dice($day), ['Ines', 'Jun'], "s{$day}"))->run(0.0, 50);
        $made[] = count(array_filter(
            $run->events,
            static fn (Event $e): bool => $e->text('entry') === 'disposition' && $e->at <= 8 * 3600,
        ));
    }
    $mean = array_sum($made) / count($made);
    expect($plan->bars_shift)->toBeGreaterThan(0.9 * $mean)->toBeLessThan(1.1 * $mean);
})->with([[1, 3, 12.0], [1, 3, 25.0], [2, 3, 25.0], [3, 1, 12.0], [4, 4, 25.0]]);

/** @return array{Plan, SimulatedRun} a day of strips or of a profile, drawn free of a mould */
function drawnFree(array $product, float $kgH, int $day, int $pieces): array
{
    $machines = SHIFTS['extrusion'][2];
    $machines['barrel']['throughput_kg_h'] = $kgH;
    $definition = (new Processes(new Registry))->get('extrusion');
    $job = new Job('PP', $product + ['bars' => $pieces], $machines);
    $plan = $definition->plan($job);
    $dice = new Dice($day);
    $plant = $definition->plant($job, $plan, (new PolymerLibrary)->get('PP'), new Dice(1), $dice);
    $machine = new RunMachine(new Procedure($definition->procedureFor($plan)), (array) $plan->targets);

    return [$plan, (new Shift($machine, $plant, $dice, ['Ines', 'Jun'], "s{$day}"))->run(0.0, $pieces)];
}

it('foretells within 10 % what a shift of strips or of a profile makes', function (
    array $product,
    float $kgH,
    int $pieces,
): void {
    [$plan, $run] = drawnFree($product, $kgH, 2, $pieces);
    $made = count(array_filter(
        $run->events,
        static fn (Event $e): bool => $e->text('entry') === 'disposition' && $e->at <= 8 * 3600,
    ));
    expect($made)->toBeLessThan($pieces)
        ->and($plan->bars_shift)->toBeGreaterThan(0.9 * $made)->toBeLessThan(1.1 * $made);
})->with([
    'strips' => [['diameter_mm' => 25, 'shot_g' => 40, 'feeds_bore_mm' => 40, 'feeds_melt_c' => 220], 2.0, 420],
    'a profile' => [['diameter_mm' => 20, 'length_mm' => 1500, 'die_area_mm2' => 400], 6.0, 120],
]);

it('draws what the die gives: section times speed stays, and hands bring it into its size', function (): void {
    foreach ([1, 2, 3] as $day) {
        [$plan, $run] = drawnFree(['diameter_mm' => 20, 'length_mm' => 1500, 'die_area_mm2' => 400], 6.0, $day, 12);
        $looks = loggedAs($run, 'size');
        $wanted = $plan->targets->size_mm;
        // It came thicker than planned, was put right at once, and stayed so.
        expect($looks[0]['size_mm'])->toBeGreaterThan($wanted + 0.15)
            ->and(abs($looks[1]['size_mm'] - $wanted))->toBeLessThan(0.3);
        $flow = array_map(static fn (array $l): float => $l['size_mm'] ** 2 * $l['haul_m_min'], $looks);
        expect(max($flow) / min($flow))->toBeLessThan(1.05);
        $bad = array_filter(loggedAs($run, 'disposition'), static fn (array $d): bool => $d['verdict'] === 'scrap');
        expect(count($bad))->toBeLessThanOrEqual(2);
    }
});

it('never has more bars under way than there are moulds, nor more in the tank than it takes', function (): void {
    [$polymer, $product, $machines] = SHIFTS['extrusion'];
    $machines['barrel']['tank_places'] = 1;
    $definition = (new Processes(new Registry))->get('extrusion');
    $plan = $definition->plan(new Job($polymer, ['moulds' => 2] + $product, $machines));
    $machine = new RunMachine(new Procedure($definition->procedureFor($plan)), (array) $plan->targets);
    $state = new RunState;
    $state->startedAt = 0.0;
    $n = 0;
    $tell = static function (EventType $type, array $data) use ($machine, $state, &$n): ?string {
        $error = $machine->refuses($state, $event = new Event('moulds-'.++$n, $type, 10.0 * $n, 'Ines', $data));
        $error === null ? $machine->apply($state, $event) : null;

        return $error?->getMessage();
    };
    $on = static fn (int $piece, string ...$steps): array => array_map(
        static fn (string $step): ?string => $tell(
            EventType::StepDone,
            ['step' => $step, 'piece' => $piece, 'reason' => 'for the test'],
        ),
        $steps,
    );
    $tell(EventType::PieceBegun, ['piece' => 1]);
    expect($on(1, 'mount', 'fill', 'chill', 'swap'))->toBe([null, null, null, null])
        ->and($tell(EventType::PieceBegun, ['piece' => 2]))->toBeNull()
        ->and($on(2, 'mount', 'fill', 'chill'))->toBe([null, null, null])
        ->and($machine->missing($state, 'swap', 100.0, 2))->toBe(['the tank still holds bar 1'])
        ->and($tell(EventType::PieceBegun, ['piece' => 3]))->toContain('the mould at the nozzle still holds bar 2')
        ->and($on(1, 'tank'))->toBe([null])
        ->and($on(2, 'swap'))->toBe([null])
        ->and($tell(EventType::PieceBegun, ['piece' => 3]))->toBeNull()
        ->and($on(3, 'mount'))->toBe([null])
        ->and($machine->next($state))->toBeNull();
    // Both are out as soon as the machine is free again.
    $three = new RunMachine(
        new Procedure($definition->procedureFor($plan)),
        ['tank_places' => 3] + (array) $plan->targets,
    );
    $on(3, 'fill', 'chill');
    expect($three->missing($state, 'swap', 1000.0, 3))->toBe([]);
    $three->apply(
        $state,
        new Event('moulds-swap', EventType::StepDone, 1000.0, 'Ines', ['step' => 'swap', 'piece' => 3]),
    );
    expect($three->taken($state, 'nozzle'))->toBe('no mould is free: bar 2 and 3 are still in them')
        ->and($three->next($state))->toBeNull();
});

it('makes good and bad, and more bad where the truth is worse', function (): void {
    $scrap = static function (string $process, int $truth): float {
        $bad = $all = 0;
        for ($day = 1; $day <= ($process === 'compression' ? 4 : 12); $day++) {
            foreach (loggedAs(shift($process, $day, $truth, 4), 'disposition') as $values) {
                $all++;
                $bad += $values['verdict'] === 'scrap' ? 1 : 0;
            }
        }

        return $bad / $all;
    };
    foreach (array_keys(SHIFTS) as $process) {
        $shares = array_map(static fn (int $truth): float => $scrap($process, $truth), [1, 2, 3]);
        expect(max($shares))->toBeLessThan(0.9, $process)->and(min($shares))->toBeLessThan(0.5, $process);
    }
});

it('keeps to conservation: a part weighs no more than its mould holds, a bar no more than solid', function (): void {
    for ($day = 1; $day <= 8; $day++) {
        foreach (loggedAs(shift('injection', $day), 'part') as $part) {
            expect($part['mass_g'])->toBeLessThan(18 * 0.905 * 1.03)->toBeGreaterThan(0);
        }
        foreach (loggedAs(shift('extrusion', $day, 1, 3), 'bar') as $bar) {
            $solid = 2400 * $bar['length_mm'] * (new PolymerLibrary)->get('HDPE')->property('density_g_cm3') / 1000;
            expect($bar['mass_g'])->toBeLessThanOrEqual($solid * 1.001)->toBeGreaterThan($solid * 0.85);
        }
    }
});

it('writes a pull that vacuum.trace reads back', function (): void {
    $run = shift('vacuum_forming', 5, 1, 1);
    $go = array_values(array_filter(
        $run->events,
        static fn (Event $e): bool => $e->type === EventType::StepDone && $e->text('step') === 'go',
    ))[0]->at;
    $gauge = array_values(array_filter(
        $run->readings,
        static fn (array $r): bool => $r['channel'] === 'vacuum_kpa' && abs($r['at'] - $go) < 60,
    ));
    $first = $gauge[0]['at'];
    $trace = (new Registry)->run('vacuum.trace', [
        'readings' => array_map(
            static fn (array $r): array => ['t_s' => $r['at'] - $first, 'kpa_abs' => $r['value']],
            $gauge,
        ),
        'atmosphere_kpa' => 101.325,
    ]);
    expect($trace->verdict->value)->toBe('sealed')
        ->and($trace->seal_s)->toBeGreaterThan(1.5)->toBeLessThan(8.0)
        ->and($trace->end_kpa)->toBeLessThan(40.0);
});

/** @return array<int, array<string, float>> when steps of each sheet were done */
function sheetSteps(SimulatedRun $run): array
{
    $done = [];
    foreach ($run->events as $event) {
        if ($event->type === EventType::StepDone && isset($event->data['piece'])) {
            $done[$event->data['piece']][$event->text('step')] = $event->at;
        }
    }

    return $done;
}

it('presses one sheet while the one before cools, never two in one press', function (): void {
    $overlaps = 0;
    for ($day = 1; $day <= 6; $day++) {
        $sheets = sheetSteps(shift('compression', $day));
        expect($sheets)->toHaveCount(6);
        for ($n = 2; $n <= 6; $n++) {
            $before = $sheets[$n - 1];
            $own = $sheets[$n];
            expect($own['slide_in'])->toBeGreaterThanOrEqual($before['heat'])
                ->and($own['transfer'])->toBeGreaterThanOrEqual($before['cool']);
            $overlaps += $own['slide_in'] < $before['cool'] ? 1 : 0;
        }
    }
    expect($overlaps)->toBeGreaterThan(20);
});

it('is pumped when it asks, every few minutes while it heats', function (): void {
    $run = shift('compression', 4, 1, 2);
    $first = sheetSteps($run)[1];
    $pumped = array_values(array_filter(
        $run->events,
        static fn (Event $e): bool => $e->type === EventType::Logged
            && $e->text('entry') === 'pump'
            && ($e->data['piece'] ?? 0) === 1,
    ));
    $at = array_map(static fn (Event $e): float => $e->at, $pumped);
    expect(count($at))->toBeGreaterThan(2)
        ->and(min($at))->toBeGreaterThan($first['slide_in'] + 120)
        ->and(max($at))->toBeLessThan($first['heat']);
    foreach (array_keys(array_slice($at, 1)) as $i) {
        expect($at[$i + 1] - $at[$i])->toBeGreaterThan(120);
    }
});

it('warms its cold press with every sheet, and its readings show both presses as they were', function (): void {
    $run = shift('compression', 2, 1, 5);
    $sheets = sheetSteps($run);
    $on = static fn (string $channel, float $from, float $to): array => array_column(array_filter(
        $run->readings,
        static fn (array $r): bool => $r['channel'] === $channel && $r['at'] >= $from && $r['at'] <= $to,
    ), 'value');
    $start = static fn (int $n): float => $on(
        'platen_c',
        $sheets[$n]['pressure_on'],
        $sheets[$n]['pressure_on'] + 60,
    )[0];
    expect($start(3))->toBeGreaterThan($start(1) + 2)
        // It falls again while it is empty, towards the coolant and never under it.
        ->and(min($on('platen_c', $sheets[1]['cool'], $sheets[5]['cool'])))->toBeGreaterThan(17.0);
    // A cold stack pulls the hot platens down; they come back.
    $in = $sheets[2]['slide_in'];
    $heat = $on('platen_top_c', $in, $sheets[2]['heat']);
    expect(min($heat))->toBeLessThan(end($heat) - 1);
});

it('finds a middle cold where the gauge lies, and a wedge where the guides are off', function (): void {
    $definition = (new Processes(new Registry))->get('compression');
    $with = static function (PressHabits $habits) use ($definition): array {
        [$polymer, $product, $machines] = SHIFTS['compression'];
        $job = new Job($polymer, $product, $machines);
        $plan = $definition->plan($job);
        $reasons = [];
        for ($day = 1; $day <= 4; $day++) {
            $plant = $definition->pressOf($job, $plan, (new PolymerLibrary)->get($polymer), new Dice($day), $habits);
            $machine = new RunMachine(new Procedure($definition->procedureFor($plan)), (array) $plan->targets);
            $run = (new Shift($machine, $plant, new Dice($day), ['Ines', 'Jun'], "h{$day}"))->run(1_790_000_000.0, 4);
            array_push(
                $reasons,
                ...array_map(static fn (array $v): string => $v['reason'] ?? 'good', loggedAs($run, 'disposition')),
            );
        }

        return array_count_values($reasons);
    };
    $right = $with(new PressHabits(gaugeOffsetK: 2.0));
    expect($right['good'])->toBeGreaterThan(12);
    expect($with(new PressHabits(gaugeOffsetK: -32.0))['cold middle, flakes show'])->toBeGreaterThan(12);
    expect(
        $with(new PressHabits(gaugeOffsetK: 2.0, tiltXMmPerM: 4.0))['wedge, thickness out of tolerance'],
    )->toBeGreaterThan(12);
});

it('closes its energy: what went into a sheet came out of the platens', function (): void {
    [$polymer, $product, $machines] = SHIFTS['compression'];
    $definition = (new Processes(new Registry))->get('compression');
    $plan = $definition->plan(new Job($polymer, $product, $machines));
    foreach ([160.0, 185.0, 210.0] as $platen) {
        foreach ([5.0, 15.0, 40.0] as $minutes) {
            $cycle = (new Registry)->run(
                'heat.press_cycle',
                ['platen_c' => $platen, 'transfer_min' => $minutes, 'core_target_c' => 140] + $plan->heat_input,
            );
            expect(abs($cycle->energy_error_pct))->toBeLessThan(1.0);
        }
    }
});

it('writes, while people work, what it would have written of the whole run', function (
    string $process,
    float $within,
): void {
    [$polymer, $product, $machines] = SHIFTS[$process];
    $definition = (new Processes(new Registry))->get($process);
    $job = new Job($polymer, $product, $machines);
    $plan = $definition->plan($job);
    $run = shift($process, 3, 1, 3);
    $live = $definition->plant($job, $plan, (new PolymerLibrary)->get($polymer), new Dice(1), new Dice(3));
    $machine = new RunMachine(new Procedure($definition->procedureFor($plan)), (array) $plan->targets);
    $state = new RunState;
    $events = $run->events;
    $compared = 0;
    for ($t = $events[0]->at + 120; $t < end($events)->at; $t += 240) {
        while ($events !== [] && $events[0]->at <= $t) {
            $machine->apply($state, array_shift($events));
        }
        foreach ($live->live($state, $t, $t + 5) as $now) {
            $beside = array_filter(
                $run->readings,
                static fn (array $r): bool => $r['channel'] === $now['channel']
                    && $r['place'] === $now['place']
                    && abs($r['at'] - $now['at']) <= 30,
            );
            if ($beside === []) {
                continue;
            }
            $values = array_column($beside, 'value');
            expect($now['value'])->toBeGreaterThan(min($values) - $within)->toBeLessThan(max($values) + $within);
            $compared++;
        }
    }
    expect($compared)->toBeGreaterThan(10);
})->with([['compression', 6.0], ['injection', 3.0], ['extrusion', 3.0]]);

it('reads a pull only while there is one', function (): void {
    [$polymer, $product, $machines] = SHIFTS['vacuum_forming'];
    $definition = (new Processes(new Registry))->get('vacuum_forming');
    $job = new Job($polymer, $product, $machines);
    $plan = $definition->plan($job);
    $run = shift('vacuum_forming', 5, 1, 1);
    $plant = $definition->plant($job, $plan, (new PolymerLibrary)->get($polymer), new Dice(1), new Dice(5));
    $machine = new RunMachine(new Procedure($definition->procedure()), (array) $plan->targets);
    $state = new RunState;
    $go = null;
    foreach ($run->events as $event) {
        $machine->apply($state, $event);
        $go = $event->type === EventType::StepDone && $event->text('step') === 'go' ? $event->at : $go;
    }
    expect($plant->live($state, $go - 60, $go - 5))->toBe([]);
    $pull = [...$plant->live($state, $go - 1, $go + 4), ...$plant->live($state, $go + 4, $go + 20)];
    expect(count($pull))->toBeGreaterThan(190)
        ->and(min(array_column($pull, 'value')))->toBeLessThan(40.0)
        ->and(array_column($pull, 'at'))->toBe(array_values(array_unique(array_column($pull, 'at'))))
        ->and($plant->live($state, $go + 120, $go + 180))->toBe([]);
});

it('goes wrong as machines do', function (Fault $fault, string $unit, float $value, float $for, ?float $read): void {
    $wrong = $fault->on($unit, $value, $for);
    expect($wrong === null ? null : round($wrong, 1))->toBe($read);
})->with([
    'a wire is off' => [Fault::ThermocoupleOpen, '°C', 180.0, 1.0, null],
    'that is no gauge' => [Fault::ThermocoupleOpen, 'kPa', 40.0, 1.0, 40.0],
    'drifts' => [Fault::Drift, '°C', 180.0, 600.0, 185.0],
    'sags, and stays' => [Fault::Sag, '°C', 180.0, 3600.0, 162.0],
    'not at once' => [Fault::Sag, '°C', 180.0, 0.0, 180.0],
    'falls towards the room' => [Fault::HeaterDead, '°C', 180.0, 4500.0, 78.9],
    'never under it' => [Fault::HeaterDead, '°C', 180.0, 1e6, 20.0],
    'leaks' => [Fault::Leak, 'kPa', 30.0, 60.0, 50.0],
    'no more than the air' => [Fault::Leak, 'kPa', 30.0, 1e5, 101.3],
]);
