<?php

declare(strict_types=1);

use Dithermic\Core\Process\VacuumForming\CoolHow;
use Dithermic\Core\Process\VacuumForming\PullBy;
use Dithermic\Core\Process\VacuumForming\ValveMoment;
use Dithermic\Core\Process\VacuumForming\Valves;

/** @return list<string> */
function openAt(PullBy $by, CoolHow $cool, string $step): array
{
    return array_merge(...array_map(
        static fn (ValveMoment $m): array => $m->step === $step ? $m->open : [],
        Valves::of($by, $cool),
    ));
}

it('opens one way at a time to the bed, and never air against what pulls', function (PullBy $by, CoolHow $cool): void {
    $there = null;
    foreach (Valves::of($by, $cool) as $moment) {
        $bed = array_filter($moment->open, static fn (string $v): bool => str_ends_with($v, '_bed'));
        expect(count($bed))->toBeLessThanOrEqual(1)
            ->and(array_intersect($moment->open, $moment->shut))->toBe([]);
        // Each moment says of every valve that there is how it stands.
        $all = [...$moment->open, ...$moment->shut];
        sort($all);
        $there ??= $all;
        expect($all)->toBe($there);
    }
})->with(PullBy::cases())->with(CoolHow::cases());

it('fills the tank while it heats, and takes the blower first', function (): void {
    expect(openAt(PullBy::BlowerThenTank, CoolHow::Held, 'heat'))->toBe(['pump_tank'])
        ->and(openAt(PullBy::BlowerThenTank, CoolHow::Held, 'go'))->toBe(['blower_bed', 'tank_bed'])
        ->and(openAt(PullBy::Tank, CoolHow::Held, 'go'))->toBe(['tank_bed'])
        ->and(openAt(PullBy::Pump, CoolHow::Held, 'heat'))->toBe([])
        ->and(openAt(PullBy::Pump, CoolHow::Held, 'go'))->toBe(['pump_bed'])
        ->and(Valves::of(null, CoolHow::Held))->toBe([]);
});

it('holds the vacuum while it cools, or lets air in, by the method', function (): void {
    expect(openAt(PullBy::Tank, CoolHow::Held, 'cool'))->toBe(['tank_bed'])
        ->and(openAt(PullBy::Tank, CoolHow::Off, 'cool'))->toBe(['air_bed'])
        ->and(openAt(PullBy::Tank, CoolHow::Held, 'judge'))->toContain('air_bed');
});

it('starts the pump so that the tank is full as the sheet is hot, on the gauge of the air there is', function (): void {
    $plan = static fn (array $machine): array => calculate('plan.vacuum_forming', [
        'polymer' => 'HIPS',
        'machine' => $machine + [
            'heater_c' => 390, 'box_l' => 28, 'tank_l' => 60, 'tank_kpa' => 6, 'speed_l_min' => 170,
            'ultimate_kpa' => 1,
        ],
        'settings' => ['length_mm' => 300, 'width_mm' => 200, 'depth_mm' => 40, 'sheet_mm' => 1.5],
    ]);
    $tank = (array) $plan([])['tank'];
    $heat = 60 * ((array) $plan([])['targets'])['heat_min'];
    // t = V/S · ln((p0 − pu)/(p − pu)), the pump-down of a tank.
    $fill = 60 * 60 / 170 * log((101.325 - 1) / (6 - 1));
    expect($tank['fill_s'])->toEqualWithDelta($fill, 0.5)
        ->and($tank['start_s'] + $tank['fill_s'] + 10)->toEqualWithDelta($heat, 0.3)
        ->and($tank['gauge_pct'])->toEqualWithDelta(100 * (1 - 6 / 101.325), 0.1)
        // High up there is less air to be had.
        ->and(((array) $plan(['atmosphere_kpa' => 80])['tank'])['gauge_pct'])->toEqualWithDelta(100 * (1 - 6 / 80), 0.1)
        ->and($plan(['speed_l_min' => null])['tank'])->toBeNull()
        // A pump that never gets there is not waited for.
        ->and($plan(['ultimate_kpa' => 8])['tank'])->toBeNull();
});
