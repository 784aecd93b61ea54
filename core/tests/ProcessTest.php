<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Extrusion\Vent;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlannedSetting;
use Dithermic\Core\Process\VacuumForming\BedLayout;
use Dithermic\Core\Process\VacuumForming\FormedAgain;
use Dithermic\Core\Process\VacuumForming\MouldStuff;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

require_once __DIR__.'/calculate.php';
require_once __DIR__.'/jobs.php';
require_once __DIR__.'/walk.php';

it('plans each process with every number that its procedure names', function (
    string $id,
    string $polymer,
    array $product,
    array $machines,
): void {
    $plan = planOf($id, $polymer, $product, $machines);
    $procedure = new Procedure(process($id)->procedure());
    $procedure->checkPlan((array) $plan->targets);
    expect($procedure->body['process'])->toBe($id)
        ->and($plan->explanation)->not->toBe('')
        ->and($plan->charge->mass_g)->toBeGreaterThan(0)
        ->and(array_column($plan->timers, 'id'))->toBe(array_column($procedure->body['timers'], 'id'));
    foreach ($plan->timers as $timer) {
        $named = array_column($procedure->body['timers'], 'minutes', 'id')[$timer->id];
        expect($timer->minutes)->toBe((float) target($plan, $named))->and($timer->because)->not->toBe('');
    }
    foreach ($plan->settings as $setting) {
        expect($setting->value !== null && $setting->origin === '')->toBeFalse("{$setting->name} came from nowhere");
    }
})->with(jobs(...));

it('knows its own places: every role is a place of its procedure, and the main one takes the heat', function (
    string $id,
): void {
    $process = process($id);
    $procedure = new Procedure($process->procedure());
    foreach ($process->roles() as $role) {
        // A mould hangs as long as the run lasts, whether or not the procedure works at it by name.
        expect($role->throughout || $procedure->place($role->id) !== null)->toBeTrue($role->id);
    }
    expect($procedure->place($process->main()->id)?->heat)->toBe('in')
        ->and($process->schools())->toBe(array_keys($procedure->body['schools']))
        ->and(count($process->figures()))->toBeGreaterThan(3);
    foreach ($procedure->body['schools'] as $school) {
        expect(array_column($school['choices'], 'id'))->toContain($school['default']);
    }
})->with(array_map(static fn (array $job): array => [$job[0]], jobs()));

it('runs from start to end on its plan, piece after piece, and nothing is refused', function (
    string $id,
    string $polymer,
    array $product,
    array $machines,
): void {
    $plan = (array) planOf($id, $polymer, $product, $machines)->targets;
    $procedure = new Procedure(process($id)->procedure());
    $machine = new RunMachine($procedure, $plan);
    $state = new RunState;
    $n = 0;
    $tell = static function (string $type, array $data) use ($machine, $state, &$n): void {
        $event = new Event('e'.$n, EventType::from($type), 1000.0 + 10 * $n++, 'Jun', $data);
        expect($machine->refuses($state, $event)?->getMessage())->toBeNull();
        $machine->apply($state, $event);
    };
    $walk = static function (Thread $thread, string $verdict = 'good') use ($procedure, $plan, $tell): void {
        while ($thread->step !== null && $thread->outcome === Thread::OPEN) {
            $step = $procedure->step($thread->step);
            // The grid of a sheet has points of its own; that story is told elsewhere.
            if ($step === null || $step->id === 'check') {
                $tell('step_done', ['step' => 'check', 'reason' => 'no calliper here']);

                continue;
            }
            foreach (throughStep($procedure, $step, $plan, $thread->piece, $verdict) as $entry) {
                $tell($entry['type'], $entry['data']);
            }
        }
    };
    $tell('started', []);
    $walk($state);
    if ($procedure->hasPieces()) {
        foreach ([1 => 'good', 2 => 'scrap'] as $piece => $verdict) {
            expect($machine->next($state)?->piece)->toBe($piece);
            $tell('piece_begun', ['piece' => $piece]);
            $walk($state->pieces[$piece], $verdict);
        }
        $tell('closing', []);
        expect($machine->next($state))->toBeNull();
        $walk($state);
    }
    expect($state->status)->toBe(RunState::FINISHED)->and($machine->hands($state))->toBe([]);
})->with(jobs(...));

it('asks nothing of hands that are full, and a cycle wants two touches', function (string $id): void {
    $procedure = new Procedure(process($id)->procedure());
    $touches = 0;
    $steps = $procedure->steps(Phase::Piece);
    foreach ($steps as $i => $step) {
        $touches += $step->timer === null || $i === count($steps) - 1 ? 1 : 0;
    }
    // What has a timer is passed with the touch after it; the verdict comes last.
    expect($touches)->toBeLessThanOrEqual($id === 'injection' ? 2 : 4);
})->with([['injection'], ['vacuum_forming'], ['extrusion']]);

it('weighs a shot as charge.shot does, and soaks as heat.barrel_soak does', function (): void {
    $plan = shots();
    $shot = calculate('charge.shot', [
        'polymer' => 'PP',
        'part_volume_cm3' => 18,
        'cavities' => 2,
        'runner_volume_cm3' => 4.5,
        'loss_pct' => 5,
        'barrel_diameter_mm' => 38,
        'barrel_length_mm' => 180,
    ]);
    $soak = calculate('heat.barrel_soak', [
        'polymer' => 'PP',
        'barrel_diameter_mm' => 38,
        'wall_c' => 220,
        'feed_c' => 20,
        'porosity' => 0.15,
        'fraction_refilled' => $shot['barrel_fraction'],
    ]);
    expect($plan->charge->mass_g)->toEqualWithDelta($shot['shot_mass_g'], 0.05)
        ->and(target($plan, 'soak_min'))->toEqualWithDelta($soak['soak_min_full'], 0.01)
        ->and(target($plan, 'refill_min'))->toEqualWithDelta($soak['soak_min_refill'], 0.01)
        ->and(target($plan, 'part_mass_g'))->toEqualWithDelta($shot['part_mass_g'], 0.01)
        ->and(target($plan, 'part_least_g'))->toEqualWithDelta(0.98 * $shot['part_mass_g'], 0.02)
        // 38 mm bore, lever 1100 to 70: 350 N · 1100/70 over the plunger's 11.34 cm².
        ->and($plan->available_bar)->toEqualWithDelta(350 * 1100 / 70 / (M_PI * 19 ** 2) * 10, 0.1);
});

it('never makes a cycle shorter than its parts: cooling, the melt, or what the screw gives', function (): void {
    $parts = static fn (Plan $p): float => $p->values()['fill_s'] + max($p->hold_s, $p->cool_s) + $p->values()['open_s'];
    $plan = shots();
    expect($plan->cycle_s)->toBeGreaterThanOrEqual($parts($plan))
        ->and($plan->cycle_s)->toEqualWithDelta($plan->soak->min_cycle_s_continuous, 0.1)
        ->and($plan->parts_h)->toEqualWithDelta(2 * 3600 / $plan->cycle_s, 0.06);
    $screw = shots([], [
        'kind' => 'screw_injector',
        'screw_diameter_mm' => 30,
        'max_stroke_mm' => 120,
        'max_specific_bar' => 1700,
        'throughput_cm3_min' => 60,
        'clamp_kn' => 250,
    ]);
    expect($screw->soak)->toBeNull()
        // Nothing waits for it to be hot through, so nobody is asked by which rule.
        ->and($screw->choices())->toBe(['mould_make' => 'aluminium'])
        ->and($plan->choices())->toBe(['soak_rule' => 'physics', 'mould_make' => 'aluminium'])
        ->and(target($screw, 'soak_min'))->toBe(0.0)
        ->and($screw->available_bar)->toBe(1700.0)
        ->and($screw->cycle_s)->toEqualWithDelta(max($parts($screw), $screw->shot->melt_volume_cm3), 0.1);
});

it('takes longer in a thicker wall, a warmer mould and one that insulates', function (): void {
    $cool = static fn (array $set, array $choices = []): float => shots($set, [], $choices)->cool_s;
    expect($cool(['thickness_mm' => 5]))->toEqualWithDelta(4 * $cool([]), 0.2)
        ->and($cool(['mould_c' => 60]))->toBeGreaterThan($cool([]))
        ->and($cool([], ['mould_make' => 'printed_resin']))->toBeGreaterThan(2 * $cool([]))
        ->and($cool(['cool_factor' => 1.5]))->toEqualWithDelta(1.5 * $cool([]), 0.1);
});

it('waits after refilling by how the charge moves, or by the share that was refilled', function (): void {
    $large = ['part_volume_cm3' => 60];
    $physics = shots($large);
    $share = shots($large, [], ['soak_rule' => 'by_fraction']);
    expect($physics->shot->barrel_fraction)->toBeGreaterThan(0.5)
        ->and(target($physics, 'refill_min'))->toEqualWithDelta(target($physics, 'soak_min'), 0.02)
        ->and(target($share, 'refill_min'))
        ->toEqualWithDelta($physics->shot->barrel_fraction * target($physics, 'soak_min'), 0.02)
        ->and($share->choices()['soak_rule'])->toBe('by_fraction');
});

it('says what cannot be done', function (): void {
    expect(checked(shots())['shot'])->toBe('ok')
        ->and(checked(shots(['part_volume_cm3' => 120]))['shot'])->toBe('block')
        ->and(checked(shots(['melt_c' => 260], ['max_c' => 250]))['barrel'])->toBe('block')
        ->and(checked(shots())['clamp'])->toBe('ok')
        ->and(checked(shots([], ['bolt_proof_kn' => 20]))['clamp'])->toBe('block')
        ->and(checked(shots(['flow_length_mm' => 900, 'thickness_mm' => 1]))['fill'])->toBe('warn')
        ->and(checked(shots(['shots' => 20, 'open_s' => 3000, 'melt_c' => 260]))['melt_life'])->toBe('warn');
});

it('names what nobody has said, and answers for no ideal machine', function (): void {
    expect(unknown(shots()))->toBe([]);
    $bare = planOf('injection', 'PP', array_diff_key(REDUCER, ['flow_length_mm' => 0, 'projected_area_cm2' => 0]), [
        'barrel' => array_diff_key(HERON, ['hand_force_n' => 0, 'heater_w' => 0]),
    ]);
    expect(unknown($bare))->toBe([
        'what the machine can press with',
        'way of the melt from the gate to the last place',
        'area of the cavities',
        'power and mass of the barrel',
    ])->and($bare->fill)->toBeNull()->and($bare->heat_up_min)->toBeNull();
    $cold = static fn (array $set): Plan => planOf(
        'vacuum_forming',
        'HIPS',
        TRAY,
        ['former' => ['name' => 'Bellows', 'kind' => 'vacuum_former']],
        $set,
    );
    // No seconds for each mm ship with us: they are the shop's own, or asked for.
    expect(refusedField(static fn (): Plan => $cold([])))->toBe('settings.heat_s_per_mm');
    $dark = $cold(['heat_s_per_mm' => 40]);
    expect($dark->sheet)->toBeNull()
        ->and(target($dark, 'heat_min'))->toBe(1.0)
        ->and($dark->timers[0]->because)->toContain('your seconds for each mm')
        ->and(unknown($dark))->toContain('temperature of the heater')
        ->and($dark->end_kpa)->toBeNull();
});

it('heats up as steel does', function (): void {
    // 6 kg · 0.49 kJ/kgK · 200 K over 70 % of 900 W.
    expect(shots()->heat_up_min)->toEqualWithDelta(6 * 0.49 * 200 / 0.63 / 60, 0.06);
});

it('refuses by the setting at fault', function (string $id, array $product, array $settings, string $field): void {
    [, $polymer, $usual, $machines] = jobs()[$id];
    $job = static fn (): Plan => planOf($id, $polymer, $product === [] ? $usual : $product, $machines, $settings);
    expect(refusedField($job))->toBe($field);
})->with([
    ['injection', ['thickness_mm' => 2], [], 'settings.part_volume_cm3'],
    ['injection', [], ['mould_c' => 120], 'settings.mould_c'],
    ['injection', [], ['melt_c' => 'hot'], 'settings.melt_c'],
    ['injection', [], ['part_volume_cm3' => -1], 'settings.part_volume_cm3'],
    ['extrusion', ['width_mm' => 60], [], 'settings.length_mm'],
    ['extrusion', ['length_mm' => 900, 'width_mm' => 60], [], 'settings.width_mm'],
    ['vacuum_forming', ['length_mm' => 200, 'width_mm' => 100], [], 'settings.depth_mm'],
    ['vacuum_forming', ['depth_mm' => 40, 'sheet_mm' => 1.5], [], 'settings.length_mm'],
    ['vacuum_forming', [], ['draft_deg' => 95], 'settings.draft_deg'],
]);

it('refuses a method that it does not know, or that the machine has not', function (): void {
    $forming = static fn (string $by, array $less = []): Closure => static fn (): Plan => planOf(
        'vacuum_forming',
        'HIPS',
        TRAY,
        ['former' => array_diff_key(BELLOWS, array_flip($less))],
        [],
        ['pull_by' => $by],
    );
    expect(refusedField($forming('by mouth')))->toBe('choices.pull_by')
        ->and(refusedField($forming('tank', ['tank_l'])))->toBe('choices.pull_by')
        ->and(refusedField($forming('pump', ['speed_l_min'])))->toBe('choices.pull_by')
        ->and(refusedField(static fn (): Plan => shots([], [], ['soak_rule' => 'guess'])))->toBe('choices.soak_rule');
});

it('wants the machines that its places want', function (): void {
    $with = static fn (array $machines): Closure => static fn (): Plan => planOf('injection', 'PP', REDUCER, $machines);
    expect(refusedField($with([])))->toBe('machines.barrel')
        ->and(refusedField($with(['barrel' => ADDER])))->toBe('machines.barrel')
        ->and(refusedField($with(['barrel' => ['name' => 'Heron', 'kind' => 'plunger_injector']])))->toBe('machines.barrel')
        ->and(refusedField(static fn () => process('smelting')))->toBe('process');
});

it('names what it refuses by the setting or the fact of the machine that it came from', function (
    string $id,
    array $machines,
    array $settings,
    string $field,
    string $says,
): void {
    $product = ['injection' => REDUCER, 'extrusion' => RAIL, 'vacuum_forming' => TRAY, 'compression' => SHEET][$id];
    $polymer = ['injection' => 'PP', 'vacuum_forming' => 'HIPS'][$id] ?? 'HDPE';
    try {
        planOf($id, $polymer, $product, $machines, $settings);
    } catch (InputError $error) {
        expect($error->field)->toBe($field)->and($error->getMessage())->toContain($says);

        return;
    }
    throw new RuntimeException('nothing was refused');
})->with([
    'a plunger\'s bore' => [
        'injection',
        ['barrel' => ['barrel_diameter_mm' => 0.5] + HERON],
        [],
        'machines.barrel.barrel_diameter_mm',
        'at least 1 mm',
    ],
    'a screw\'s bore' => [
        'injection',
        ['barrel' => ['kind' => 'screw_injector', 'screw_diameter_mm' => 0.5, 'max_stroke_mm' => 80] + HERON],
        [],
        'machines.barrel.screw_diameter_mm',
        'at least 1 mm',
    ],
    'what an extruder gives' => [
        'extrusion',
        ['barrel' => array_diff_key(ADDER, ['throughput_kg_h' => 0])],
        [],
        'machines.barrel.throughput_kg_h',
        'weigh that',
    ],
    'a tank above the atmosphere' => [
        'vacuum_forming',
        ['former' => ['tank_kpa' => 150, 'tank_l' => 30, 'box_l' => 5] + BELLOWS],
        [],
        'machines.former.tank_kpa',
        'is not below the air here, 101.3 kPa: it is absolute',
    ],
    'platens colder than the middle must get' => [
        'compression',
        ['hot' => HOT_PRESS],
        ['platen_c' => 120.119],
        'settings.platen_c',
        'never reach 165 °C between platens at 120.1 °C: hotter platens',
    ],
    'a heater that loses all it gives' => [
        'compression',
        ['hot' => ['heater_kw' => 0.4, 'loss_kw' => 0.5] + HOT_PRESS],
        [],
        'machines.hot.heater_kw',
        'above loss_kw',
    ],
    'a coolant above what it comes out at' => [
        'compression',
        [
            'hot' => HOT_PRESS,
            'cold' => ['name' => 'Pond', 'kind' => 'cold_press', 'platen_kj_k' => 12, 'cooling_w_k' => 30, 'coolant_c' => 90],
        ],
        [],
        'machines.cold',
        'taken out at 68 °C and never gets below the coolant (90 °C)',
    ],
    'a sheet that thins to nothing' => [
        'vacuum_forming',
        ['former' => BELLOWS],
        ['sheet_mm' => 0.1, 'depth_mm' => 900, 'draft_deg' => 0],
        'settings.sheet_mm',
        'thins to nothing over this depth',
    ],
    'the force of a hand' => [
        'injection',
        ['barrel' => ['hand_force_n' => 1e6, 'max_specific_bar' => null] + HERON],
        [],
        'machines.barrel.hand_force_n',
        'at most',
    ],
    'an allowance' => ['compression', ['hot' => HOT_PRESS], ['allowance_pct' => 120], 'settings.allowance_pct', 'at most 100'],
]);

it('says of what is not worked hot why, and never at which heat to try', function (string $id, array $product, array $machines): void {
    foreach (['PVC-U', 'UNKNOWN', 'OTHER'] as $polymer) {
        try {
            // However hot somebody says that it is to be.
            planOf($id, $polymer, $product, $machines, in_array($id, ['injection', 'extrusion']) ? ['melt_c' => 190] : []);
        } catch (InputError $error) {
            expect($error->field)->toBe('polymer')
                ->and($error->getMessage())->toStartWith("{$polymer} has no window for ")
                ->toContain($polymer === 'PVC-U' ? 'hydrogen chloride' : 'Nobody knows')
                ->not->toContain('set the');

            continue;
        }
        throw new RuntimeException("{$polymer} was planned");
    }
})->with([
    'pressed' => ['compression', SHEET, ['hot' => HOT_PRESS]],
    'moulded' => ['injection', REDUCER, ['barrel' => HERON]],
    'extruded' => ['extrusion', RAIL, ['barrel' => ADDER]],
    'formed' => ['vacuum_forming', TRAY, ['former' => BELLOWS]],
]);

it('forms no sheet of what is not formed, however its mould is said to be', function (): void {
    $of = static fn (string $polymer): Closure => static fn (): Plan => planOf(
        'vacuum_forming',
        $polymer,
        TRAY,
        ['former' => BELLOWS],
        ['mould_c' => 60, 'release_c' => 70],
    );
    expect(process('vacuum_forming')->whyNot((new PolymerLibrary)->get('PA6')))->not->toBeNull()
        ->and(refusedField($of('PA6')))->toBe('polymer');
});

it('presses nothing that a press oxidises, however hot its platens are said to be', function (): void {
    $with = static fn (array $settings): Closure => static fn (): Plan => planOf(
        'compression',
        'PA6',
        SHEET,
        ['hot' => HOT_PRESS],
        $settings,
    );
    expect(refusedField($with([])))->toBe('polymer')->and(refusedField($with(['platen_c' => 250])))->toBe('polymer');
});

it('keeps moulds in circulation as a closed loop does', function (): void {
    $bars = static fn (float $moulds, array $machine = []): Plan => planOf(
        'extrusion',
        'HDPE',
        RAIL,
        ['barrel' => $machine + ADDER],
        ['moulds' => $moulds],
    );
    $one = $bars(1);
    // The machine stands while the end is chilled and the moulds are changed; one mould is out until its bar is looked
    // at.
    $machine = $one->bar->fill_time_s + $one->chill_s + 1.15 * 60;
    $loop = $machine + $one->strip_s + 1.15 * 180;
    $wait = 2 * (1.15 * 180) ** 2 / (2 * $machine);
    expect($one->cycle_s)->toEqualWithDelta($loop, 0.3)
        ->and($one->held_by)->toBe('number of moulds')
        ->and($one->moulds_needed)->toBe(2)
        // More than keep the machine busy give nothing more.
        ->and($bars(2)->cycle_s)->toEqualWithDelta($machine + $wait, 0.3)
        ->and($bars(9)->cycle_s)->toEqualWithDelta($machine + $wait, 0.3)
        ->and($bars(2)->held_by)->toBe('mould at the nozzle')
        ->and($bars(9)->bars_shift_one_more)->toBe($bars(9)->bars_shift)
        ->and($one->bars_shift_one_more)->toBe($bars(2)->bars_shift)->toBeGreaterThan($one->bars_shift)
        // One place in the tank under a machine that gives ten times as much: it is full, or the hands are.
        ->and($bars(9, ['throughput_kg_h' => 240, 'tank_places' => 1])->held_by)->toBe('work of the hands')
        ->and($bars(9, ['throughput_kg_h' => 240])->moulds_needed)->toBeGreaterThan($one->moulds_needed)
        ->and(checked($bars(4))['tank'])->toBe('warn');
});

it('strips when the skin carries it, or when the core is cold, and rests the difference', function (): void {
    $skin = planOf('extrusion', 'HDPE', RAIL, ['barrel' => ADDER]);
    $core = planOf('extrusion', 'HDPE', RAIL, ['barrel' => ADDER], [], ['strip_rule' => 'core_cold']);
    expect($skin->strip_s)->toBeLessThan($core->strip_s)
        ->and(target($core, 'rest_min'))->toBe(0.0)
        ->and(target($skin, 'rest_min'))->toEqualWithDelta(($core->strip_s - $skin->strip_s) / 60, 0.1)
        ->and(target($skin, 'bar_mass_g'))
        ->toEqualWithDelta(1100 * 60 * 40 / 1000 * (new PolymerLibrary)->get('HDPE')->property('density_g_cm3'), 0.1);
});

it('says what a colder tank would give, as the same plan with that tank says it', function (): void {
    $bar = static fn (float $bath, array $rest = []): Plan => planOf(
        'extrusion',
        'HDPE',
        RAIL,
        ['barrel' => ['throughput_kg_h' => 60, 'bath_c' => $bath] + ADDER],
        ['moulds' => 1],
        ...$rest,
    );
    foreach ([[], [['strip_rule' => 'core_cold']]] as $rest) {
        [$warm, $cold] = [$bar(24, $rest), $bar(14, $rest)];
        expect($warm->cooler_bath->bath_c)->toBe(14.0)
            ->and($warm->cooler_bath->strip_s)->toEqualWithDelta($cold->strip_s, 0.02 * $cold->strip_s)
            ->and($warm->cooler_bath->bars_shift)->toEqualWithDelta($cold->bars_shift, 1)
            ->and($warm->cooler_bath->bars_shift)->toBeGreaterThan($warm->bars_shift);
    }
    // Water is no colder than a chiller makes it.
    expect($bar(9)->cooler_bath->bath_c)->toBe(5.0)
        ->and($bar(5)->cooler_bath)->toBeNull();
});

it('vents a barrel by what it has, and says what each way would give', function (): void {
    $bar = static fn (array $facts, ?string $venting = null): Plan => planOf(
        'extrusion',
        'HDPE',
        RAIL,
        ['barrel' => $facts + ADDER],
        [],
        array_filter(['venting' => $venting]),
    );
    $ways = static fn (Plan $plan): array => array_column(
        array_filter($plan->gives, static fn ($g): bool => $g->school === 'venting'),
        'choice',
    );
    [$closed, $open, $pumped] = [$bar([]), $bar(['vent_kpa' => 101.0]), $bar(['vent_kpa' => 20.0])];
    expect($closed->venting->value)->toBe('closed')
        ->and($closed->choices())->not->toHaveKey('venting')
        ->and($ways($closed))->toBe([])
        ->and(target($closed, 'vent_pulls_bar'))->toBeNull()
        ->and($open->choices()['venting'])->toBe('open')
        ->and($ways($open))->toBe(['closed', 'open'])
        ->and($pumped->choices()['venting'])->toBe('vacuum')
        ->and($ways($pumped))->toBe(['closed', 'open', 'vacuum'])
        // 101.3 − 20 kPa, and 5 for the pump to come near it.
        ->and(target($pumped, 'vent_pulls_bar'))->toEqualWithDelta(0.763, 0.01)
        // At 3,000 m the same pump pulls less under the air.
        ->and(target(
            $bar(['vent_kpa' => 20.0, 'atmosphere_kpa' => 70.1]),
            'vent_pulls_bar',
        ))->toEqualWithDelta(0.451, 0.01)
        ->and($bar(['vent_kpa' => 20.0], 'open')->venting->value)->toBe('open')
        ->and(count($pumped->cautions))->toBe(count($closed->cautions) + 2);
    expect(fn () => $bar([], 'vacuum'))->toThrow(InputError::class, 'Adder')
        ->and(fn () => $bar(['vent_kpa' => 101.0], 'vacuum'))->toThrow(InputError::class, 'pulled to');
});

it('makes as many voids of water as an ideal gas does', function (): void {
    // 18 g of water are 38.8 l of steam at 200 °C and 101.325 kPa: half a litre of voids in half a litre of melt.
    $polymer = (new PolymerLibrary)->get('HDPE');
    $melt = 1000 * $polymer->property('density_melt_g_cm3');
    $ppm = Vent::waterPpm($polymer, 200, 50, 101.325);
    expect($ppm)->toEqualWithDelta(1e6 * 18.015 / 38.82 / $melt, 0.005 * $ppm)
        ->and(Vent::waterPpm($polymer, 200, 5, 101.325))->toEqualWithDelta($ppm / 19, 0.1)
        ->and(Vent::waterPpm($polymer, 200, 5, 20.265))->toEqualWithDelta($ppm / 95, 0.1);
});

it('makes denser bars with a vent, and denser yet with a vacuum on it', function (): void {
    $voids = static function (array $facts): float {
        $process = process('extrusion');
        $job = new Job('HDPE', RAIL, ['barrel' => $facts + ADDER]);
        $plan = $process->plan($job);
        $plant = $process->plant($job, $plan, (new PolymerLibrary)->get('HDPE'), new Dice(7), new Dice(8));
        $step = (new Procedure($process->procedureFor($plan)))->step('judge');
        $bars = [];
        for ($i = 5; $i < 25; $i++) {
            $seen = array_column($plant->seen($step, $i, 0, 60), 'values', 'entry')['bar'];
            $bars[] = $process->inspect(
                'bar',
                new Record($seen),
                (array) $plan->targets,
                (new PolymerLibrary)->get('HDPE'),
            )->figures['void_pct'];
        }

        return array_sum($bars) / count($bars);
    };
    [$closed, $open, $pumped] = [$voids([]), $voids(['vent_kpa' => 101.0]), $voids(['vent_kpa' => 20.0])];
    expect($open)->toBeLessThan($closed)
        ->and($pumped)->toBeLessThan($open);
});

it('says what each method would give as the plan by that method says it', function (): void {
    $says = static fn (Plan $plan): array => array_column(
        array_map(static fn ($g): array => ["{$g->school} {$g->choice}", $g->says], $plan->gives),
        1,
        0,
    );
    $formed = static fn (array $choices): Plan => planOf(
        'vacuum_forming',
        'HIPS',
        TRAY,
        ['former' => BELLOWS],
        [],
        $choices,
    );
    $gives = $says($formed([]));
    foreach (['held', 'held_fan', 'off'] as $how) {
        expect($gives["cool_how {$how}"])->toContain(sprintf('after %.0f s', $formed(['cool_how' => $how])->cool_s));
    }
    $tank = $formed(['pull_by' => 'tank']);
    expect($gives['pull_by tank'])
        ->toContain(sprintf('%.0f %% of what is possible', 100 * (1 - $tank->end_kpa / 101.325)))
        ->and($gives)->toHaveKey('pull_by blower_then_tank')
        ->and($says(planOf('vacuum_forming', 'HIPS', TRAY, ['former' => ['speed_l_min' => null] + BELLOWS])))
        ->not->toHaveKey('pull_by pump');
    $comb = static fn (array $choices): Plan => planOf('injection', 'HDPE', REDUCER, ['barrel' => HERON], [], $choices);
    foreach (['physics', 'by_fraction'] as $rule) {
        expect($says($comb([]))["soak_rule {$rule}"])
            ->toBe(sprintf('%.1f min after a shot', target($comb(['soak_rule' => $rule]), 'refill_min')));
    }
});

it('clocks a step by its taps where its figure is the time in it', function (string $id): void {
    $process = process($id);
    $measured = array_column(
        array_filter($process->figures(), static fn ($f): bool => $f->measured),
        'dimension',
        'id',
    );
    $piece = new Thread(3);
    foreach ($process->procedures() as $body) {
        $procedure = new Procedure($body);
        foreach ($procedure->steps() as $step) {
            if ($step->clock === null) {
                continue;
            }
            expect($measured[$step->clock])->toBe('seconds')
                ->and($procedure->clocked($piece))->toBe([]);
            $piece->done[$step->id] = ['at' => 1007.46, 'by' => 'Ines', 'reason' => null, 'began' => 1000.0];
            expect($procedure->clocked($piece))->toBe([$step->clock => 7.5]);
            // A clock that was put back makes no time less than none.
            $piece->done[$step->id]['began'] = 1020.0;
            expect($procedure->clocked($piece))->toBe([$step->clock => 0.0]);
            $piece->done[$step->id]['began'] = 1000.0;
        }
    }
    expect($piece->done === [])->toBe(in_array($id, ['compression', 'extrusion'], true));
})->with(['compression', 'injection', 'extrusion', 'vacuum_forming']);

it('tells how much of the seconds that a sheet forms in went by before it was pulled', function (): void {
    $plan = planOf('vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS]);
    $process = process('vacuum_forming');
    $state = new RunState;
    $state->pieces[1] = new Thread(1);
    $witness = new Witness(
        new Procedure($process->procedureFor($plan)),
        $state,
        1,
        (array) $plan->targets,
        (new PolymerLibrary)->get('HIPS'),
    );
    expect($process->evidence($witness))->toBe([]);
    $state->pieces[1]->done['go'] = [
        'at' => 1000.0 + 2 * target($plan, 'form_within_s'), 'by' => 'Ines', 'reason' => null, 'began' => 1000.0,
    ];
    [$late] = $process->evidence($witness);
    expect($late->signal)->toBe('transfer_time_ratio')
        ->and($late->value)->toEqualWithDelta(2.0, 0.02)
        ->and($late->from)->toContain('from the heater to the pull');
});

it('forms a spoiled sheet again while its wall bears it, thinner each time', function (): void {
    // A share of 0.15 of ln(2/0.8) stays each time: 0.8 · 0.4^0.15, and so on.
    $walls = array_column(FormedAgain::of(2.0, 0.8, null), 'thinnest_mm');
    expect($walls)->toHaveCount(5)
        ->and($walls[0])->toEqualWithDelta(0.8 * 0.4 ** 0.15, 0.006)
        ->and($walls[4])->toEqualWithDelta(0.8 * 0.4 ** 0.75, 0.006)
        ->and(FormedAgain::of(2.0, 0.8, 0.65))->toHaveCount(1)
        ->and(FormedAgain::of(2.0, 0.8, 0.75))->toBe([])
        // What was not drawn is not thinned by forming it again.
        ->and(FormedAgain::of(1.5, 1.5, 1.5)[4]->thinnest_mm)->toBe(1.5);
    $plan = planOf('vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS], ['least_wall_mm' => 0.3]);
    expect(target($plan, 'again_most'))->toBe(count($plan->again))
        ->and(target($plan, 'again_mm'))->toBe($plan->again[0]->thinnest_mm)
        // It comes off the mould warm.
        ->and(target($plan, 'again_heat_min'))->toBeLessThan(target($plan, 'heat_min'));
    $never = planOf(
        'vacuum_forming',
        'HIPS',
        TRAY,
        ['former' => BELLOWS],
        ['least_wall_mm' => target($plan, 'thinnest_mm')],
    );
    expect(target($never, 'again_most'))->toBe(0)
        ->and(target($never, 'again_mm'))->toBeNull()
        ->and($never->explanation)->toContain('not formed again');
});

it('lets no sheet be formed again oftener than its wall bears, nor one that is judged, nor into a former that is taken', function (): void {
    $process = process('vacuum_forming');
    $plan = planOf('vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS], ['least_wall_mm' => 0.3]);
    $targets = ['again_most' => 1] + (array) $plan->targets;
    $machine = new RunMachine(new Procedure($process->procedureFor($plan)), $targets);
    $state = new RunState;
    $at = 1000.0;
    $tell = function (string $type, array $data) use ($machine, $state, &$at): ?string {
        $event = new Event('k'.$at, EventType::from($type), $at += 30, 'Ines', $data);
        $no = $machine->refuses($state, $event);
        if ($no === null) {
            $machine->apply($state, $event);
        }

        return $no?->getMessage();
    };
    $again = fn (int $piece): ?string => $tell(
        'logged',
        ['entry' => 'again', 'values' => ['why' => 'not sharp'], 'piece' => $piece],
    );
    $tell('started', []);
    foreach ($machine->procedure->steps(Phase::SetUp) as $step) {
        foreach (throughStep($machine->procedure, $step, $targets) as $entry) {
            $tell($entry['type'], $entry['data']);
        }
    }
    $onto = function (int $piece) use ($tell): void {
        foreach (['clamp', 'heat', 'go'] as $step) {
            $tell('step_done', ['step' => $step, 'piece' => $piece, 'reason' => 'a test does not wait']);
        }
    };
    $tell('piece_begun', ['piece' => 1]);
    expect($again(1))->toContain('not logged now');
    $onto(1);
    expect($state->pieces[1]->step)->toBe('cool')
        ->and($again(1))->toBeNull()
        ->and($state->pieces[1]->step)->toBe('heat')
        ->and($state->pieces[1]->timers['heat']['minutes'])->toBe((float) target($plan, 'again_heat_min'))
        ->and($process->flags($state, $state->pieces[1], $targets)[0])
        ->toBe(sprintf('formed again once: %.2f mm at its thinnest, by the model', target($plan, 'again_mm')));
    $onto(1);
    expect($again(1))->toContain('was said once: once more, and its wall is thinner');
    $tell('step_done', ['step' => 'cool', 'piece' => 1, 'reason' => 'a test does not wait']);
    // A second one goes under the heater while the first is looked at.
    $tell('piece_begun', ['piece' => 2]);
    $onto(2);
    $tell('step_done', ['step' => 'cool', 'piece' => 2, 'reason' => 'a test does not wait']);
    $tell('piece_begun', ['piece' => 3]);
    expect($again(2))->toContain('has no room there');
    $tell('piece_dropped', ['piece' => 3, 'reason' => 'a test of it']);
    $tell('logged', ['entry' => 'disposition', 'values' => ['verdict' => 'good'], 'piece' => 2]);
    expect($again(2))->toContain('it is judged');
});

it('lays several on one bed with the least of sheet that the bed takes', function (): void {
    $of = static fn (int $n, array $bed = [null, null]): BedLayout => BedLayout::of($n, 100, 60, 20, 25, $bed);
    expect([$of(1)->along, $of(1)->across, $of(1)->length_mm, $of(1)->width_mm])->toBe([1, 1, 100.0, 60.0])
        // 4 in two rows: 220 × 140, where one row would be 460 × 60.
        ->and([$of(4)->along, $of(4)->across])->toBe([2, 2])
        ->and([$of(4)->length_mm, $of(4)->width_mm])->toBe([220.0, 140.0])
        // A bed of 600 × 120 takes one row only.
        ->and([$of(4, [600, 120])->along, $of(4, [600, 120])->across])->toBe([4, 1])
        // Five stand in places for six.
        ->and($of(5)->along * $of(5)->across)->toBeGreaterThanOrEqual(5);
    $one = planOf('vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS], ['parts' => 9]);
    $two = planOf('vacuum_forming', 'HIPS', ['length_mm' => 120, 'width_mm' => 90] + TRAY, ['former' => BELLOWS], [
        'parts' => 9, 'parts_on_bed' => 2, 'spacing_mm' => 40,
    ]);
    $single = planOf('vacuum_forming', 'HIPS', ['length_mm' => 120, 'width_mm' => 90] + TRAY, ['former' => BELLOWS]);
    expect(target($one, 'pieces'))->toBe(9.0)
        ->and(target($one, 'parts_per_piece'))->toBe(1.0)
        ->and(target($two, 'pieces'))->toBe(5.0)
        ->and(target($two, 'parts_per_piece'))->toBe(2.0)
        ->and($two->blank_length_mm * $two->blank_width_mm)->toBeLessThan(
            2 * $single->blank_length_mm * $single->blank_width_mm,
        )
        // What is left of the blank is what is not two parts.
        ->and(target($two, 'blank_g') - target($two, 'trim_g'))
        ->toEqualWithDelta(2 * (target($single, 'blank_g') - target($single, 'trim_g')), 0.3);
    expect(fn () => planOf('vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS], ['parts_on_bed' => 1.5]))
        ->toThrow(InputError::class, 'whole number');
});

it('warns of what stands too near, and of a mould that the sheet makes soft', function (): void {
    $with = static fn (array $mould, array $set = []): array => checked(planOf(
        'vacuum_forming',
        'HIPS',
        TRAY,
        ['former' => BELLOWS, 'mould' => $mould + ['name' => 'Lid', 'kind' => 'forming_mould']],
        $set,
    ));
    expect($with(['side' => 'male']))->not->toHaveKey('apart')
        ->and($with([
            'side' => 'male', 'parts_on_bed' => 2, 'spacing_mm' => TRAY['depth_mm'] - 1,
        ])['apart'])->toBe('warn')
        ->and($with(['side' => 'male', 'parts_on_bed' => 2])['apart'])->toBe('ok')
        ->and($with(['side' => 'female', 'parts_on_bed' => 2, 'spacing_mm' => 1]))->not->toHaveKey('apart')
        ->and($with(['made_of' => 'printed', 'softens_c' => 58])['soft_mould'])->toBe('warn')
        ->and($with(['made_of' => 'aluminium', 'softens_c' => 600])['soft_mould'])->toBe('ok')
        ->and($with(['made_of' => 'printed']))->not->toHaveKey('soft_mould');
    $hips = (new MaterialInput(polymer: 'HIPS'))->thermal(new PolymerLibrary);
    // Two alike meet in the middle; against metal the face stays at the metal's heat.
    $alike = MouldStuff::Printed->effusivity() / sqrt(
        $hips->conductivity_melt_w_mk * $hips->density_kg_m3 * $hips->specific_heat_melt_j_kgk,
    );
    expect(MouldStuff::Printed->touched(160, 30, $hips))->toEqualWithDelta((160 + $alike * 30) / (1 + $alike), 0.01)
        ->and(MouldStuff::Aluminium->touched(160, 30, $hips))->toBeLessThan(36)
        ->and(MouldStuff::Wood->touched(160, 30, $hips))->toBeGreaterThan(95);
});

it('warns of a mould that is too heavy for one', function (): void {
    $bar = static fn (float $kg): Plan => planOf('extrusion', 'HDPE', RAIL, ['barrel' => ADDER], ['mould_kg' => $kg]);
    expect(checked($bar(14))['lifting'])->toBe('ok')
        ->and(checked($bar(24))['lifting'])->toBe('warn')
        ->and($bar(24)->safety()['settings']['load_kg'])->toEqualWithDelta(26.5, 0.1);
});

it('forms as its parts say: window, draw, walls, blank', function (): void {
    $plan = planOf('vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS]);
    $sheet = calculate('heat.vacuum_sheet', [
        'polymer' => 'HIPS',
        'thickness_mm' => 1.5,
        'initial_c' => 20,
        'sides' => 1,
        'ambient_c' => 22,
        'heater_c' => 390,
        'exchange' => 0.7,
    ]);
    expect(60 * target($plan, 'heat_min'))->toEqualWithDelta($sheet['ready_s'], 0.1)
        ->and(60 * target($plan, 'limit_min'))->toEqualWithDelta($sheet['limit_s'], 0.1)
        ->and($plan->blank_length_mm)->toBe(342.0)
        ->and($plan->charge->mass_g)->toEqualWithDelta(34.2 * 23.2 * 0.15 * 1.04, 3)
        ->and($plan->charge->method)->toBe('cut')
        ->and($plan->choices()['pull_by'])->toBe('blower_then_tank')
        // Boyle: 28 l at 82 kPa and 60 l at 6 kPa.
        ->and($plan->end_kpa)->toEqualWithDelta((28 * 82 + 60 * 6) / 88, 0.05);
    $deep = planOf('vacuum_forming', 'HIPS', ['depth_mm' => 170, 'draft_deg' => 1] + TRAY, ['former' => BELLOWS]);
    expect(checked($deep)['draw'])->toBe('block')
        ->and($deep->wall->thinnest_mm)->toBeLessThan($plan->wall->thinnest_mm)
        ->and(checked(planOf('vacuum_forming', 'HIPS', ['length_mm' => 540] + TRAY, ['former' => BELLOWS]))['bed'])
        ->toBe('block');
});

it('says what a check says', function (): void {
    $pp = (new PolymerLibrary)->get('PP');
    $part = static fn (float $mass): array => process('injection')
        ->inspect(
            'part',
            new Record(['mass_g' => $mass]),
            ['part_mass_g' => 16.0, 'part_least_g' => 15.68],
            $pp,
        )->result;
    expect($part(16)['verdict'])->toBe('full')
        ->and($part(15.6)['verdict'])->toBe('short')
        ->and($part(15.6)['full_pct'])->toBe(97.5)
        ->and($part(16.5)['verdict'])->toBe('heavy');
    $hdpe = (new PolymerLibrary)->get('HDPE');
    $solid = $hdpe->property('density_g_cm3');
    $bar = static fn (float $share): array => process('extrusion')->inspect(
        'bar',
        new Record(['mass_g' => $share * $solid * 2.4 * 1000, 'length_mm' => 1000]),
        ['section_area_mm2' => 2400.0, 'void_limit_pct' => 5.0],
        $hdpe,
    )->result;
    expect($bar(1)['void_pct'])->toEqualWithDelta(0, 0.01)
        ->and($bar(0.97)['verdict'])->toBe('sound')
        ->and($bar(0.9)['verdict'])->toBe('hollow')
        ->and($bar(1.1)['verdict'])->toBe('heavier than solid');
    $walls = static fn (float $bottom): array => process('vacuum_forming')->inspect(
        'walls',
        new Record(['corner_mm' => 0.8, 'side_mm' => 0.9, 'bottom_mm' => $bottom]),
        ['thinnest_mm' => 0.6, 'least_wall_mm' => 0.5],
        $hdpe,
    )->result;
    expect($walls(0.6)['verdict'])->toBe('thick enough')
        ->and($walls(0.4)['verdict'])->toBe('too thin')
        ->and($walls(0.4)['says'])->toContain('bottom');
    expect(refusedField(static fn () => process('injection')->inspect('part', new Record(['mass_g' => 3.0]), [], $pp)))
        ->toBe('mass_g');
});

it('begins nothing that cannot be done, and says all that stands in the way', function (): void {
    shots()->mustBeDoable();
    $words = '';
    try {
        shots(['part_volume_cm3' => 120], ['max_c' => 200, 'bolt_proof_kn' => 1])->mustBeDoable();
    } catch (InputError $error) {
        $words = "{$error->field}: {$error->getMessage()}";
    }
    expect($words)->toStartWith('settings: cannot be done so: A shot is')
        ->toContain('Heron goes to 200 °C')
        ->toContain('held with 138.2 kN');
});

it('keeps in a recipe how it is made: not what the product or the material is', function (): void {
    $process = process('compression');
    $job = new Job('HDPE', SHEET, ['hot' => HOT_PRESS], settings: ['soak_min' => 4.0, 'length_mm' => 500.0]);
    $recipe = $process->recipe($job, $process->plan($job));
    expect($recipe)->toMatchArray(['soak_min' => 4.0, 'heat_rule' => 'physics', 'charge_method' => 'true_density'])
        ->toHaveKey('platen_c')
        ->and(array_intersect_key(
            $recipe,
            array_flip(['length_mm', 'thickness_mm', 'bulk_density_g_cm3', 'frame_depth_mm']),
        ))->toBe([]);
    // What was kept makes the same again.
    $again = new Job('HDPE', SHEET, ['hot' => HOT_PRESS], $recipe, 'recipe, version 1', kept: $recipe);
    expect(target($process->plan($again), 'heat_min'))
        ->toBe(target(
            $process->plan(new Job('HDPE', SHEET, ['hot' => HOT_PRESS], settings: ['soak_min' => 4.0])),
            'heat_min',
        ));
});

it('tells runs apart by its figures, planned and measured', function (): void {
    $figures = process('injection')->figuresOf(['melt_c' => 220, 'shot_mass_g' => null], ['full_pct' => 97.5]);
    $by = array_column($figures, 'value', 'id');
    expect($by['melt_c'])->toBe(220.0)->and($by['shot_mass_g'])->toBeNull()->and($by['full_pct'])->toBe(97.5);
});

it('is the same however often it is asked, and whoever asks', function (
    string $id,
    string $polymer,
    array $product,
    array $machines,
): void {
    $over = planOf($id, $polymer, $product, $machines);
    // A recipe says less than a person and more than the product.
    $name = array_values(array_filter(
        $over->settings,
        static fn (PlannedSetting $s): bool => $s->value !== null && $s->low !== null,
    ))[0]->name;
    $job = static fn (array $recipe, array $moved): Plan => process($id)->plan(new Job(
        $polymer,
        $product,
        $machines,
        $recipe,
        'recipe, version 3',
        $moved,
    ));
    $value = (float) $over->values()[$name];
    expect(json_encode(planOf($id, $polymer, $product, $machines)))->toBe(json_encode($over))
        ->and($job([$name => $value + 2], [])->values()[$name])->toBe($value + 2)
        ->and($job([$name => $value + 2], [])->origins()[$name])->toBe('recipe, version 3')
        ->and($job([$name => $value + 2], [$name => $value + 1])->values()[$name])->toBe($value + 1)
        ->and($job([$name => $value + 2], [$name => $value + 1])->origins()[$name])->toBe('set here');
    foreach ($over->checks as $check) {
        expect($check->says)->not->toBe('')->and($check->state)->toBeInstanceOf(CheckState::class);
    }
})->with(jobs(...));
