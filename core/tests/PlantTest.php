<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Shift;
use Dithermic\Core\Practice\SimulatedRun;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;

const SHIFTS = [
    'injection' => ['PP', ['part_volume_cm3' => 18, 'thickness_mm' => 2.5, 'flow_length_mm' => 90, 'cavities' => 2, 'runner_volume_cm3' => 4.5], ['barrel' => [
        'name' => 'Heron',
        'kind' => 'plunger_injector',
        'barrel_diameter_mm' => 38,
        'barrel_length_mm' => 180,
        'plunger_diameter_mm' => 38,
        'lever_long_mm' => 1100,
        'lever_short_mm' => 70,
        'hand_force_n' => 350,
    ]]],
    'extrusion' => ['HDPE', ['length_mm' => 1100, 'width_mm' => 60, 'height_mm' => 40, 'moulds' => 3], ['barrel' => [
        'name' => 'Adder',
        'kind' => 'extruder',
        'throughput_kg_h' => 12,
        'tank_places' => 3,
    ]]],
    'vacuum_forming' => [
        'HIPS',
        ['length_mm' => 292, 'width_mm' => 182, 'depth_mm' => 38, 'draft_deg' => 3, 'corner_radius_mm' => 8, 'sheet_mm' => 1.5, 'least_wall_mm' => 0.5],
        ['former' => [
            'name' => 'Bellows',
            'kind' => 'vacuum_former',
            'heater_c' => 390,
            'exchange' => 0.7,
            'sides' => 1,
            'tank_l' => 60,
            'tank_kpa' => 6,
            'box_l' => 28,
            'blower_kpa' => 82,
        ]],
    ],
];

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
    $machine = new RunMachine(new Procedure($definition->procedure()), (array) $plan->targets);

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

it('makes good and bad, and more bad where the truth is worse', function (): void {
    $scrap = static function (string $process, int $truth): float {
        $bad = $all = 0;
        for ($day = 1; $day <= 12; $day++) {
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
