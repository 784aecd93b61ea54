<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Process\UnknownFact;

require_once __DIR__.'/calculate.php';

// Machines and products of the demo shop, one of each process, as its plans are asked for them.
const HERON = SHIFTS['injection'][2]['barrel'] + [
    'max_c' => 280,
    'bolts' => 4,
    'bolt_proof_kn' => 37,
    'heater_w' => 900,
    'barrel_kg' => 6,
];
const ADDER = SHIFTS['extrusion'][2]['barrel'] + ['bath_c' => 14, 'max_c' => 260];
const BELLOWS = [
    'name' => 'Bellows',
    'kind' => 'vacuum_former',
    'heater_c' => 390,
    'exchange' => 0.7,
    'sides' => 1,
    'box_l' => 28,
    'tank_l' => 60,
    'tank_kpa' => 6,
    'blower_kpa' => 82,
    'speed_l_min' => 170,
    'ultimate_kpa' => 2,
    'bed_length_mm' => 560,
    'bed_width_mm' => 480,
];
const HOT_PRESS = [
    'name' => 'Anvil',
    'kind' => 'hot_press',
    'heater_kw' => 2.2,
    'platen_kj_k' => 14,
    'loss_kw' => 0.5,
    'max_c' => 300,
    'bed_length_mm' => 700,
    'bed_width_mm' => 550,
];
const REDUCER = [
    'part_volume_cm3' => 18,
    'cavities' => 2,
    'runner_volume_cm3' => 4.5,
    'thickness_mm' => 2.5,
    'flow_length_mm' => 90,
    'projected_area_cm2' => 64,
    'cavity_pressure_bar' => 180,
];
const RAIL = ['length_mm' => 1100, 'width_mm' => 60, 'height_mm' => 40];
const TRAY = [
    'length_mm' => 292,
    'width_mm' => 182,
    'depth_mm' => 38,
    'draft_deg' => 3,
    'sheet_mm' => 1.5,
    'corner_radius_mm' => 8,
];
const SHEET = ['length_mm' => 600, 'width_mm' => 450, 'thickness_mm' => 8, 'thickness_tolerance_mm' => 1];

/** @return array<string, array{string, string, array<string, mixed>, array<string, array<string, mixed>>}> */
function jobs(): array
{
    return [
        'compression' => ['compression', 'HDPE', SHEET, ['hot' => HOT_PRESS]],
        'injection' => ['injection', 'PP', REDUCER, ['barrel' => HERON]],
        'extrusion' => ['extrusion', 'HDPE', RAIL, ['barrel' => ADDER]],
        'vacuum_forming' => ['vacuum_forming', 'HIPS', TRAY, ['former' => BELLOWS]],
    ];
}

function process(string $id): Definition
{
    return (new Processes(new Registry))->get($id);
}

/**
 * @param  array<string, mixed>  $product
 * @param  array<string, array<string, mixed>>  $machines
 * @param  array<string, mixed>  $settings
 * @param  array<string, string>  $choices
 */
function planOf(
    string $id,
    string $polymer,
    array $product,
    array $machines,
    array $settings = [],
    array $choices = [],
): Plan {
    return process($id)->plan(new Job($polymer, $product, $machines, settings: $settings, choices: $choices));
}

/** @param  array<string, mixed>  $settings */
function shots(array $settings = [], array $machine = [], array $choices = [], string $polymer = 'PP'): Plan
{
    return planOf('injection', $polymer, REDUCER, ['barrel' => $machine + HERON], $settings, $choices);
}

/** @return array<string, mixed> */
function target(Plan $plan, string $name): mixed
{
    return ((array) $plan->targets)[$name];
}

/** @return array<string, string> state by id */
function checked(Plan $plan): array
{
    return array_map(
        static fn (PlanCheck $c): string => $c->state->value,
        array_column($plan->checks, null, 'id'),
    );
}

/** @return list<string> */
function unknown(Plan $plan): array
{
    return array_map(static fn (UnknownFact $u): string => $u->fact, $plan->unknowns);
}

function refusedField(Closure $does): ?string
{
    try {
        $does();
    } catch (InputError $error) {
        return $error->field;
    }

    return null;
}
