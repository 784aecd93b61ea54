<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;

/**
 * A calculation's answer as whoever asks over a door gets it.
 *
 * @param  array<string, mixed>  $input
 * @return array<string, mixed>
 */
function calculate(string $name, array $input): array
{
    return json_decode((string) json_encode((new Registry)->run($name, $input)), true);
}

/** The procedure that a process ships. */
function shipped(string $process): Procedure
{
    return new Procedure((new Processes(new Registry))->get($process)->procedure());
}

/** What is made on what, by process: polymer, product, machines by role. */
const SHIFTS = [
    'compression' => ['HDPE', [
        'length_mm' => 500, 'width_mm' => 400, 'thickness_mm' => 10, 'thickness_tolerance_mm' => 0.9, 'sheets' => 6,
    ], [
        'hot' => [
            'name' => 'Anvil',
            'kind' => 'hot_press',
            'heater_kw' => 2.2,
            'platen_kj_k' => 14,
            'loss_kw' => 0.5,
            'plate_mm' => 3,
        ],
        'cold' => [
            'name' => 'Pond',
            'kind' => 'cold_press',
            'platen_kj_k' => 18,
            'cooling_w_k' => 12,
            'coolant_c' => 18,
            'start_c' => 22,
        ],
    ]],
    'injection' => ['PP', [
        'part_volume_cm3' => 18, 'thickness_mm' => 2.5, 'flow_length_mm' => 90, 'cavities' => 2,
        'runner_volume_cm3' => 4.5,
    ], ['barrel' => [
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
        [
            'length_mm' => 292,
            'width_mm' => 182,
            'depth_mm' => 38,
            'draft_deg' => 3,
            'corner_radius_mm' => 8,
            'sheet_mm' => 1.5,
            'least_wall_mm' => 0.5,
        ],
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
