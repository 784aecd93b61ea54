<?php

declare(strict_types=1);

use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlannedSetting;

require_once __DIR__.'/jobs.php';

/** @param  array<string, mixed>  $settings */
function formed(array $settings = [], array $machine = [], array $choices = [], string $polymer = 'HIPS'): Plan
{
    return planOf('vacuum_forming', $polymer, TRAY, ['former' => $machine + BELLOWS], $settings, $choices);
}

/** @return array<string, float> what nobody said, by name */
function usual(Plan $plan): array
{
    $usual = array_filter(
        $plan->settings,
        static fn (PlannedSetting $s): bool => $s->origin === 'usual practice' && $s->value !== null,
    );

    return array_column($usual, 'value', 'name');
}

it('takes what nobody says from usual practice, and says so', function (string $id, array $usual): void {
    expect(array_intersect_key(usual(planOf(...jobs()[$id])), $usual))->toEqual($usual);
})->with([
    ['compression', ['initial_c' => 20, 'soak_min' => 3, 'allowance_pct' => 5, 'sheets' => 1, 'pump_every_min' => 3]],
    ['injection', ['fill_s' => 2, 'open_s' => 60, 'loss_pct' => 5, 'feed_c' => 20, 'porosity' => 0.15, 'shots' => 20]],
    ['vacuum_forming', ['ambient_c' => 22, 'transfer_s' => 4, 'look_s' => 15, 'cool_factor' => 1, 'parts' => 10]],
]);

it('moulds one part a shot without a runner where the product says neither', function (): void {
    $one = array_diff_key(REDUCER, ['cavities' => 0, 'runner_volume_cm3' => 0]);
    $plan = planOf('injection', 'PP', $one, ['barrel' => HERON]);
    expect(target($plan, 'parts_per_piece'))->toBe(1.0)
        ->and(target($plan, 'runner_g'))->toEqual(0)
        ->and(target($plan, 'shot_mass_g'))->toEqualWithDelta(1.05 * target($plan, 'part_mass_g'), 0.06);
});

it('adds a cycle up from fill, the longer of hold and cooling, and the mould open', function (): void {
    $screw = ['kind' => 'screw_injector', 'screw_diameter_mm' => 25, 'max_stroke_mm' => 120];
    $plan = shots(['fill_s' => 3, 'open_s' => 41], $screw);
    expect($plan->cool_s)->toBeGreaterThan($plan->hold_s)
        ->and($plan->cycle_s)->toEqualWithDelta(3 + $plan->cool_s + 41, 0.11)
        ->and(target($plan, 'cool_min'))->toEqualWithDelta($plan->cool_s / 60, 1e-3)
        ->and($plan->timers[1]->because)->toContain('the middle of the wall')
        ->and($plan->parts_h)->toEqualWithDelta(3600 / $plan->cycle_s * 2, 0.2);
    // A thick gate freezes after the wall is cool.
    $gate = shots(['fill_s' => 3, 'open_s' => 41, 'gate_mm' => 6], $screw);
    expect($gate->hold_s)->toBeGreaterThan($gate->cool_s)
        ->and($gate->cycle_s)->toEqualWithDelta(3 + $gate->hold_s + 41, 0.11)
        ->and(target($gate, 'cool_min'))->toEqualWithDelta($gate->hold_s / 60, 1e-3)
        ->and($gate->timers[1]->because)->toContain('gate');
});

it('waits no shot out of a barrel that has not made it yet', function (): void {
    $screw = ['kind' => 'screw_injector', 'screw_diameter_mm' => 25, 'max_stroke_mm' => 120, 'throughput_cm3_min' => 6];
    $slow = shots(['open_s' => 5], $screw);
    // By hand: its melt, cm³, at six of them a minute.
    expect($slow->cycle_s)->toEqualWithDelta(60 * $slow->shot->melt_volume_cm3 / 6, 0.06)
        ->and($slow->soak)->toBeNull()
        ->and(target($slow, 'barrel_g'))->toBeNull();
    $plunger = shots(['open_s' => 5, 'soak_factor' => 3]);
    expect($plunger->cycle_s)->toEqualWithDelta(3 * (float) $plunger->soak?->min_cycle_s_continuous, 0.06);
});

it('counts how long the oldest melt is hot: its soak, and every shot of a full barrel', function (): void {
    foreach ([[], ['open_s' => 200], ['soak_factor' => 2]] as $settings) {
        $plan = shots($settings);
        expect($plan->shot->shots_per_fill)->toBeGreaterThan(1)
            ->and($plan->hot_min)->toEqualWithDelta(
                target($plan, 'soak_min') + $plan->shot->shots_per_fill * $plan->cycle_s / 60,
                0.05,
            );
    }
    // One shot that takes more than the barrel has is still one shot.
    $large = shots(['part_volume_cm3' => 150]);
    expect($large->shot->shots_per_fill)->toBeLessThan(1)
        ->and($large->hot_min)->toEqualWithDelta(target($large, 'soak_min') + $large->cycle_s / 60, 0.05);
});

it('refills by the share of the barrel that is filled again, where a shop holds to that', function (): void {
    $plan = shots(['soak_factor' => 1.5], [], ['soak_rule' => 'by_fraction']);
    expect(target($plan, 'refill_min'))->toEqualWithDelta(
        1.5 * (float) $plan->soak?->soak_min_full * $plan->shot->barrel_fraction,
        0.01,
    );
    $over = shots(['part_volume_cm3' => 150], [], ['soak_rule' => 'by_fraction']);
    expect(target($over, 'refill_min'))->toEqualWithDelta((float) $over->soak?->soak_min_full, 0.01);
});

it('is ready five kelvin under what is set, and takes parts down to what they may be short', function (): void {
    $plan = shots(['melt_c' => 222, 'mass_tolerance_pct' => 4]);
    expect(target($plan, 'barrel_ready_c'))->toEqual(217)
        ->and(target($plan, 'part_least_g'))->toEqualWithDelta(0.96 * target($plan, 'part_mass_g'), 0.006)
        ->and(target($plan, 'runner_g'))->toEqualWithDelta(4.5 * 0.905, 0.03);
});

it('holds a mould shut with exactly what it wants, and with nothing less', function (): void {
    $wants = shots()->clamp?->clamp_kn;
    $with = static fn (float $kn): Plan => shots([], ['clamp_kn' => $kn, 'bolts' => null, 'bolt_proof_kn' => null]);
    expect(checked($with((float) $wants))['clamp'])->toBe('ok')
        ->and(checked($with($wants - 0.01))['clamp'])->toBe('block')
        ->and(array_column(shots()->checks, 'has', 'id')['clamp'])->toEqual(4 * 37)
        ->and(array_column($with(60)->checks, 'has', 'id')['clamp'])->toEqual(60);
    $bare = shots([], ['bolts' => null, 'bolt_proof_kn' => null]);
    expect(checked($bare))->not->toHaveKey('clamp')
        ->and(unknown($bare))->toContain('what holds the mould shut')
        ->and(unknown(shots()))->not->toContain('what holds the mould shut')
        ->and(unknown($with(60)))->not->toContain('what holds the mould shut');
});

it('fills a slit as wide as the volume asks over the way that the melt goes', function (): void {
    // Twice the way at one volume is half the width: by the flow in a slit, four times the pressure, without freezing.
    $with = static fn (float $mm): float => (float) shots(['flow_length_mm' => $mm, 'fill_s' => 0.2])->fill?->pressure_bar;
    expect($with(60))->toBeGreaterThan(2 * $with(30))->toBeLessThan(4.2 * $with(30));
});

it('says how a printed mould is held, and how one of metal', function (): void {
    $with = static fn (string $make): string => implode(' ', shots([], [], ['mould_make' => $make])->cautions);
    expect($with('printed_resin'))->toContain('finger-tight')->not->toContain('hand-tight')
        ->and($with('steel'))->toContain('hand-tight')->not->toContain('finger-tight');
});

it('cuts a blank with its rim, and weighs it', function (): void {
    $plan = formed(['margin_mm' => 20]);
    expect(target($plan, 'blank_length_mm'))->toEqual(292 + 40)
        ->and(target($plan, 'blank_width_mm'))->toEqual(182 + 40)
        ->and(target($plan, 'blank_g'))->toEqualWithDelta(33.2 * 22.2 * 0.15 * 1.04, 1.5)
        ->and($plan->charge->mass_g)->toEqual(target($plan, 'blank_g'))
        ->and($plan->charge->method)->toBe('cut');
});

it('looks at a sheet as often as is said, and lets go of it when it keeps its shape', function (): void {
    $plan = formed(['look_s' => 12, 'look_cost_s' => 6, 'heat_factor' => 1.2, 'cool_factor' => 1.5]);
    $plain = formed();
    expect(target($plan, 'look_min'))->toBe(0.2)
        ->and(target($plan, 'look_cost_min'))->toBe(0.1)
        ->and(target($plan, 'heat_min'))->toEqualWithDelta(1.2 * target($plain, 'heat_min'), 0.002)
        ->and(target($plan, 'limit_min'))->toEqualWithDelta(1.2 * target($plain, 'limit_min'), 0.002)
        ->and(target($plan, 'again_heat_min'))->toEqualWithDelta(1.2 * target($plain, 'again_heat_min'), 0.002)
        ->and(target($plain, 'again_heat_min'))->toBeLessThan(target($plain, 'heat_min'))
        ->and(target($plan, 'cool_min'))->toEqualWithDelta(1.5 * target($plain, 'cool_min'), 0.002)
        ->and(target($plan, 'seal_kpa'))->toEqualWithDelta(target($plan, 'end_kpa') + 5, 0.11);
});

it('knows no end of a pull where nothing pulls', function (): void {
    $plan = formed([], ['box_l' => null]);
    expect(target($plan, 'end_kpa'))->toBeNull()
        ->and(target($plan, 'seal_kpa'))->toBeNull()
        ->and($plan->tank)->toBeNull()
        ->and(formed()->tank)->not->toBeNull()
        ->and(formed([], [], ['pull_by' => 'pump'])->tank)->toBeNull();
});

it('has its tank full ten seconds before the sheet is hot, by the law of a pump', function (): void {
    $plan = formed();
    // dp/dt = -(S/V)(p - p_end): 60 l from 101.325 to 6 kPa by 170 l/min that reaches 2.
    $fill = 60 * (60 / 170) * log((101.325 - 2) / (6 - 2));
    expect($plan->tank?->fill_s)->toEqualWithDelta($fill, 0.06)
        ->and($plan->tank?->start_s)->toEqualWithDelta(60 * target($plan, 'heat_min') - $fill - 10, 0.15)
        ->and($plan->tank?->gauge_pct)->toEqualWithDelta(100 * (1 - 6 / 101.325), 0.06)
        ->and($plan->tank?->kpa)->toEqual(6);
    $unsaid = formed([], ['ultimate_kpa' => null]);
    expect($unsaid->tank?->fill_s)->toEqualWithDelta(60 * (60 / 170) * log(101.325 / 6), 0.06);
    // By Boyle: what is left under the sheet after the tank is opened to it.
    $tank = formed([], [], ['pull_by' => 'tank']);
    expect(target($tank, 'end_kpa'))->toEqualWithDelta((28 * 101.325 + 60 * 6) / 88, 0.06)
        ->and(target($plan, 'end_kpa'))->toEqualWithDelta((28 * 82 + 60 * 6) / 88, 0.06);
});

it('doubts parts that stand nearer than they are high, on a mould that they are drawn over', function (): void {
    $with = static fn (float $mm, string $side = 'male', float $on = 2): ?string => checked(planOf(
        'vacuum_forming',
        'HIPS',
        TRAY,
        ['former' => BELLOWS, 'mould' => ['name' => 'Saucer', 'kind' => 'forming_mould', 'side' => $side]],
        ['spacing_mm' => $mm, 'parts_on_bed' => $on],
    ))['apart'] ?? null;
    expect($with(38))->toBe('ok')
        ->and($with(37.9))->toBe('warn')
        ->and($with(10, 'female'))->toBeNull()
        ->and($with(10, on: 1))->toBeNull();
});

it('takes a heater for what is usual where its exchange is not known', function (): void {
    $without = formed([], ['exchange' => null]);
    expect($without->exchange)->toBe(0.7)
        ->and(target($without, 'heat_min'))->toBe(target(formed([], ['exchange' => 0.7]), 'heat_min'))
        ->and(target($without, 'heat_min'))->toBeGreaterThan(target(formed([], ['exchange' => 0.77]), 'heat_min'));
});

it('presses by the shop\'s minutes for each millimetre as they are', function (): void {
    $hot = ['heat_min_per_mm' => 1.6, 'cool_min_per_mm' => 0.8] + HOT_PRESS;
    $plan = static fn (array $settings): Plan => planOf(
        'compression',
        'HDPE',
        SHEET,
        ['hot' => $hot],
        $settings,
        ['heat_rule' => 'shop_rule'],
    );
    expect(target($plan([]), 'heat_min'))->toEqualWithDelta(12.8, 0.005)
        ->and(target($plan([]), 'cool_min'))->toEqualWithDelta(6.4, 0.005)
        // The picture is of the rule; where that is too short, until the middle is hot.
        ->and($plan([])->cycle->heat_min + $plan([])->cycle->soak_min)->toEqualWithDelta(12.8, 0.01);
    $thick = ['thickness_mm' => 16, 'soak_min' => 0];
    $physics = planOf('compression', 'HDPE', SHEET, ['hot' => $hot], $thick, ['heat_rule' => 'physics']);
    expect($physics->cycle->heat_min)->toBeGreaterThan(25.6)
        ->and($plan($thick)->cycle->heat_min)->toEqualWithDelta($physics->cycle->heat_min, 1e-6)
        ->and($plan($thick)->cycle->soak_min)->toEqual(0);
});

it('runs two sheets as a series, and one as itself', function (): void {
    $of = static fn (float $many): Plan => planOf('compression', 'HDPE', SHEET, ['hot' => HOT_PRESS], ['sheets' => $many]);
    expect($of(1)->series)->toBeNull()
        ->and($of(2)->series?->sheets)->toBe(2)
        ->and(refusedField(static fn (): Plan => $of(1.5)))->toBe('settings.sheets');
});
