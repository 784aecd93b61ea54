<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;

/** Laws that the closed forms must keep whatever the numbers, and answers worked by hand; the cases hold the rest. */
function reckon(string $name, array $input): array
{
    return json_decode(json_encode((new Registry)->run($name, $input), JSON_THROW_ON_ERROR), true);
}

it('takes a vessel as long from p to p/2 whatever p is, and in proportion to its volume', function (float $start): void {
    $half = static fn (float $litres): float => reckon(
        'vacuum.pump_down',
        ['volume_l' => $litres, 'speed_l_min' => 60, 'start_kpa' => $start, 'target_kpa' => $start / 2],
    )['seconds'];
    expect($half(60.0))->toEqualWithDelta(60 * log(2), 1e-3)
        ->and($half(180.0))->toEqualWithDelta(3 * $half(60.0), 1e-3);
})->with([101.325, 50.0, 12.0]);

it('converts a vacuum there and back', function (string $unit): void {
    $there = reckon('vacuum.convert', ['value' => 37.5, 'from' => 'kpa_abs', 'to' => $unit])['value'];
    expect(
        reckon('vacuum.convert', ['value' => $there, 'from' => $unit, 'to' => 'kpa_abs'])['value'],
    )->toEqualWithDelta(37.5, 1e-9);
})->with(['inhg_gauge', 'kpa_abs']);

it('has less air to push with at height: about half of it at 5500 m', function (): void {
    $at = static fn (int $m): float => reckon('vacuum.atmosphere', ['altitude_m' => $m])['atmosphere_kpa'];
    // International standard atmosphere: 89.87 kPa at 1000 m, 50.5 kPa at 5500 m.
    expect($at(1000))->toEqualWithDelta(89.87, 0.1)->and($at(5500))->toEqualWithDelta(50.5, 0.3);
});

it('divides a blend into masses that add up to the target on the grid of the scale', function (
    int $total,
    float $grid,
): void {
    $blend = reckon('charge.blend', ['total_mass_g' => $total, 'scale_resolution_g' => $grid, 'components' => [
        ['name' => 'virgin', 'parts' => 61], ['name' => 'regrind', 'parts' => 31], ['name' => 'colour', 'parts' => 7],
    ]]);
    $rounded = array_column($blend['components'], 'rounded_g');
    expect(array_sum($rounded))->toEqualWithDelta($total, 1e-9)
        ->and(array_sum(array_column($blend['components'], 'percent')))->toEqualWithDelta(100, 1e-6);
    foreach ($rounded as $grams) {
        expect($grams / $grid)->toEqualWithDelta(round($grams / $grid), 1e-6);
    }
})->with([[1000, 1.0], [997, 0.5], [2500, 5.0], [333, 0.1]]);

it('weighs a profile as section times length times density', function (): void {
    $one = reckon(
        'charge.profile',
        ['length_mm' => 1000, 'width_mm' => 50, 'height_mm' => 20, 'density_g_cm3' => 0.9, 'throughput_kg_h' => 18],
    );
    $two = reckon(
        'charge.profile',
        ['length_mm' => 2000, 'width_mm' => 50, 'height_mm' => 20, 'density_g_cm3' => 0.9, 'throughput_kg_h' => 18],
    );
    // 5 x 2 cm by 100 cm is 1000 cm3, 900 g.
    expect($one['part_mass_g'])->toEqualWithDelta(900, 1e-6)
        ->and($two['part_mass_g'])->toEqualWithDelta(1800, 1e-6)
        ->and($two['mass_per_m_g'])->toEqualWithDelta($one['mass_per_m_g'], 1e-6)
        ->and($two['fill_time_s'])->toEqualWithDelta(2 * $one['fill_time_s'], 1e-6);
});

it('gives the gauge that gives back the pressure that was wanted', function (): void {
    $press = ['ram_diameter_mm' => 70, 'rams' => 1, 'length_mm' => 600, 'width_mm' => 450, 'wanted_bar' => 5];
    $needed = reckon('force.press', ['gauge_bar' => 100] + $press)['gauge_bar_needed'];
    $back = reckon('force.press', ['gauge_bar' => $needed] + $press);
    expect($back['sheet_bar'])->toEqualWithDelta(5, 1e-4)
        // 5 bar on 2700 cm2 is 135 kN.
        ->and($back['force_kn'])->toEqualWithDelta(135, 1e-3);
});

it('bows a platen as the square of its length and the inverse of its thickness', function (): void {
    $bow = static fn (float $l, float $t): float => reckon(
        'force.platen_bow',
        ['length_mm' => $l, 'thickness_mm' => $t, 'expansion_1_k' => 1.2e-5, 'face_difference_k' => 10],
    )['bow_mm'];
    // a L2 dT / 8 t: 1.2e-5 * 800^2 * 10 / (8 * 40).
    expect($bow(800, 40))->toEqualWithDelta(0.24, 1e-6)
        ->and($bow(1600, 40))->toEqualWithDelta(0.96, 1e-6)
        ->and($bow(800, 20))->toEqualWithDelta(0.48, 1e-6);
});

it('leaves as much plastic in a drawn part as there was in the sheet over it', function (float $draft): void {
    $drawn = reckon(
        'forming.draw',
        [
            'shape' => 'box',
            'length_mm' => 200,
            'width_mm' => 150,
            'height_mm' => 60,
            'draft_deg' => $draft,
            'sheet_mm' => 3,
        ],
    );
    expect($drawn['mean_wall_mm'] * $drawn['surface_cm2'])->toEqualWithDelta(3 * $drawn['footprint_cm2'], 0.01)
        ->and($drawn['areal_draw_ratio'])->toBeGreaterThan(1);
})->with([0.0, 3.0, 8.0]);

it('finds a sheet sound at its own density and counts the air below it', function (float $share): void {
    $mass = 50 * 40 * 0.8 * 0.955 * (1 - $share);
    expect(
        reckon(
            'quality.porosity',
            [
                'mass_g' => $mass,
                'length_mm' => 500,
                'width_mm' => 400,
                'mean_thickness_mm' => 8,
                'density_g_cm3' => 0.955,
            ],
        )['porosity_pct'],
    )->toEqualWithDelta(100 * $share, 0.01);
})->with([0.0, 0.02, 0.05, 0.12]);

it('reads range, slope and mean of a tilted sheet whatever thickness is added to all of it', function (float $add): void {
    $points = [];
    foreach ([0, 300, 600] as $x) {
        foreach ([0, 225, 450] as $y) {
            $points[] = ['x_mm' => $x, 'y_mm' => $y, 't_mm' => 8 + $add + 0.001 * $x - 0.0004 * $y];
        }
    }
    $grid = reckon('quality.thickness_grid', ['points' => $points, 'nominal_mm' => 8 + $add, 'tolerance_mm' => 1]);
    expect($grid['slope_mm_per_m']['x'])->toEqualWithDelta(1.0, 1e-3)
        ->and($grid['slope_mm_per_m']['y'])->toEqualWithDelta(-0.4, 1e-3)
        ->and($grid['bow_mm'])->toEqualWithDelta(0, 1e-3)
        ->and($grid['range_mm'])->toEqualWithDelta(0.78, 1e-3)
        ->and($grid['low_corner'])->toBe('x-y+');
})->with([0.0, 4.0]);

it('counts a point beyond three sigma, and none in a steady run', function (): void {
    $steady = [8.0, 8.1, 7.9, 8.0, 8.1, 7.9, 8.0, 8.1, 7.9, 8.0];
    expect(reckon('quality.control_chart', ['kind' => 'i_mr', 'data' => $steady])['points'])->toBe([])
        ->and(array_column(
            reckon('quality.control_chart', ['kind' => 'i_mr', 'data' => [...$steady, 9.5]])['points'],
            'index',
        ))->toContain(10);
});

it('rates a centred process alike by both measures, and a shifted one lower', function (): void {
    $data = [9.9, 10.0, 10.1, 9.95, 10.05, 9.9, 10.1, 10.0];
    $centred = reckon('quality.capability', ['data' => $data, 'lsl' => 9.6, 'usl' => 10.4]);
    $shifted = reckon(
        'quality.capability',
        ['data' => array_map(static fn (float $v): float => $v + 0.2, $data), 'lsl' => 9.6, 'usl' => 10.4],
    );
    expect($centred['cpk'])->toEqualWithDelta($centred['cp'], 1e-6)
        ->and($shifted['cp'])->toEqualWithDelta($centred['cp'], 1e-6)
        ->and($shifted['cpk'])->toEqualWithDelta($centred['cp'] / 2, 1e-6);
});

it('says in words how a process lies in its limits', function (float $half, string $says): void {
    // s of these is 1, their mean 10
    $data = [10 - sqrt(1.5), 10.0, 10.0, 10 + sqrt(1.5)];
    $fits = reckon('quality.capability', ['data' => $data, 'lsl' => 10 - $half, 'usl' => 10 + $half]);
    expect($fits['stdev'])->toEqualWithDelta(1.0, 1e-9)
        ->and($fits['cpk'])->toEqualWithDelta($half / 3, 1e-9)
        ->and($fits['explanation'])->toContain("{$says} its limits");
})->with([[4.01, 'well within'], [3.99, 'just within'], [3.01, 'just within'], [2.99, 'too wide for']]);

it('draws the loose band from numbers that agree: height = closed x (1 - loose) + loosest x loose', function (): void {
    $cycle = reckon(
        'heat.press_cycle',
        ['polymer' => 'HDPE', 'thickness_mm' => 8, 'initial_c' => 20, 'platen_c' => 185],
    );
    $loosest = max(array_column($cycle['curve'], 'thickness_mm'));
    $seen = 0;
    foreach ($cycle['curve'] as $point) {
        expect($point['thickness_mm'])->toEqualWithDelta(8 * (1 - $point['loose']) + $loosest * $point['loose'], 0.01);
        $seen += $point['loose'] > 0.05 && $point['loose'] < 0.95 ? 1 : 0;
    }
    expect($loosest)->toBeGreaterThan(8)->and($seen)->toBeGreaterThan(3);
});
