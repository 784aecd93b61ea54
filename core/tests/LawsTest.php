<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What has to hold whatever the numbers: masses and volumes that are conserved, forces that balance, ways back that
 * lead where one came from, and that more of one thing never makes less of what follows from it. Numbers are drawn anew
 * from a seed, answers are held against the formulas of textbooks written out here once more.
 */
final class Draw
{
    private readonly Randomizer $dice;

    public function __construct(int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->dice->getInt(0, 1 << 30) / (1 << 30);
    }

    /** @param  list<string>  $of */
    public function one(array $of): string
    {
        return $of[$this->dice->getInt(0, count($of) - 1)];
    }

    public function count(int $low, int $high): int
    {
        return $this->dice->getInt($low, $high);
    }
}

/** @return list<int> */
function seeds(int $many = 25): array
{
    return range(1, $many);
}

describe('a sheet', function () {
    it('weighs what its volume does, and is as thick as what was weighed', function (int $seed) {
        $d = new Draw($seed);
        $sheet = [
            'polymer' => $d->one(['HDPE', 'LDPE', 'PP', 'HIPS', 'ABS']),
            'length_mm' => $d->between(100, 1200),
            'width_mm' => $d->between(100, 1200),
            'thickness_mm' => $d->between(2, 40),
        ];
        $out = calculate('charge.sheet', $sheet + ['allowance_pct' => 0.0]);
        $litres = $sheet['length_mm'] * $sheet['width_mm'] * $sheet['thickness_mm'] / 1e6;
        $density = $out['net_mass_g'] / $litres / 1000;
        expect($density)->toBeGreaterThan(0.88)->toBeLessThan(1.12);
        // Twice as thick is twice as heavy; a corner of it is its share.
        $thick = calculate(
            'charge.sheet',
            ['thickness_mm' => 2 * $sheet['thickness_mm']] + $sheet + ['allowance_pct' => 0.0],
        );
        expect($thick['net_mass_g'])->toEqualWithDelta(2 * $out['net_mass_g'], 1e-6 * $out['net_mass_g']);
        $back = calculate('charge.sheet_thickness', [
            'mass_g' => $out['charge_mass_g'], 'loss_pct' => 0.0,
        ] + array_diff_key($sheet, ['thickness_mm' => 0]));
        expect($back['thickness_mm'])->toEqualWithDelta($sheet['thickness_mm'], 1e-6);
    })->with(seeds());

    it('is spread as high as its loose flake is light', function (int $seed) {
        $d = new Draw($seed);
        $bulk = $d->between(0.15, 0.6);
        $area = 600 * 450;
        $out = calculate('charge.sheet', [
            'polymer' => 'HDPE', 'length_mm' => 600, 'width_mm' => 450, 'thickness_mm' => $d->between(4, 20),
            'bulk_density_g_cm3' => $bulk,
        ]);
        expect($out['loose_height_mm'])->toEqualWithDelta(1000 * $out['charge_mass_g'] / $bulk / $area, 1e-6);
    })->with(seeds(8));

    it('gives as many blanks as fit, none over the edge and none over another', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'stock_length_mm' => $d->between(400, 2000), 'stock_width_mm' => $d->between(300, 1300),
            'blank_length_mm' => $d->between(80, 390), 'blank_width_mm' => $d->between(60, 290),
            'kerf_mm' => $d->between(0, 5), 'edge_trim_mm' => $d->between(0, 15),
        ];
        $out = calculate('charge.blanks', $in);
        $area = 0.0;
        foreach ($out['layout'] as $i => $a) {
            $area += $a['length_mm'] * $a['width_mm'];
            expect($a['x_mm'])->toBeGreaterThanOrEqual($in['edge_trim_mm'] - 1e-9)
                ->and($a['y_mm'])->toBeGreaterThanOrEqual($in['edge_trim_mm'] - 1e-9)
                ->and($a['x_mm'] + $a['length_mm'])->toBeLessThanOrEqual(
                    $in['stock_length_mm'] - $in['edge_trim_mm'] + 1e-6,
                )
                ->and($a['y_mm'] + $a['width_mm'])->toBeLessThanOrEqual(
                    $in['stock_width_mm'] - $in['edge_trim_mm'] + 1e-6,
                );
            foreach (array_slice($out['layout'], $i + 1) as $b) {
                $apart = $a['x_mm'] + $a['length_mm'] <= $b['x_mm'] + 1e-6
                    || $b['x_mm'] + $b['length_mm'] <= $a['x_mm'] + 1e-6

                        || $a['y_mm'] + $a['width_mm'] <= $b['y_mm'] + 1e-6
                        || $b['y_mm'] + $b['width_mm'] <= $a['y_mm'] + 1e-6;
                expect($apart)->toBeTrue("blanks {$i} lies over another");
            }
        }
        expect($out['count'])->toBe(count($out['layout']))
            ->and($out['yield_pct'])->toEqualWithDelta(
                100 * $area / ($in['stock_length_mm'] * $in['stock_width_mm']),
                0.01,
            );
    })->with(seeds(15));
});

describe('a shot', function () {
    it('is the barrel’s volume of melt: stroke times bore', function (int $seed) {
        $d = new Draw($seed);
        $bore = $d->between(20, 60);
        $out = calculate('charge.shot', [
            'polymer' => $d->one(['PP', 'HDPE', 'ABS', 'PS']),
            'part_volume_cm3' => $d->between(2, 60),
            'cavities' => $d->count(1, 4),
            'runner_volume_cm3' => $d->between(0, 8),
            'barrel_diameter_mm' => $bore,
            'barrel_length_mm' => $d->between(80, 300),
        ]);
        $area = M_PI * $bore ** 2 / 400;
        expect($out['stroke_mm'])->toEqualWithDelta(10 * $out['melt_volume_cm3'] / $area, 1e-3 * $out['stroke_mm'])
            ->and($out['barrel_fraction'])->toEqualWithDelta($out['shot_mass_g'] / $out['barrel_capacity_g'], 1e-6)
            ->and($out['shots_per_fill'])->toBe((int) floor(1 / $out['barrel_fraction'] + 1e-9));
    })->with(seeds());

    it('keeps its parts in proportion on a scale of any step, and its total', function (int $seed) {
        $d = new Draw($seed);
        $parts = array_map(
            static fn (int $i): array => ['name' => "p{$i}", 'parts' => $d->between(0.1, 100)],
            range(1, $d->count(2, 9)),
        );
        $step = (float) $d->one(['0.01', '0.1', '1', '5']);
        $total = round($d->between(50, 9000) / $step) * $step;
        $out = calculate(
            'charge.blend',
            ['total_mass_g' => $total, 'scale_resolution_g' => $step, 'components' => $parts],
        );
        expect(array_sum(array_column($out['components'], 'percent')))->toEqualWithDelta(100, 1e-6)
            ->and(array_sum(array_column($out['components'], 'mass_g')))->toEqualWithDelta($total, 1e-6 * $total)
            ->and(array_sum(array_column($out['components'], 'rounded_g')))->toEqualWithDelta($total, 1e-6 * $total);
        foreach ($out['components'] as $c) {
            expect(abs($c['rounded_g'] - $c['mass_g']))->toBeLessThanOrEqual($step + 1e-9)
                ->and(abs($c['rounded_g'] / $step - round($c['rounded_g'] / $step)))->toBeLessThan(1e-6);
        }
    })->with(seeds());
});

describe('forces', function () {
    it('are pressure times area, and back', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'gauge_bar' => $d->between(20, 300), 'ram_diameter_mm' => $d->between(30, 160), 'rams' => $d->count(1, 4),
            'length_mm' => $d->between(200, 1000), 'width_mm' => $d->between(200, 800),
            'wanted_bar' => $d->between(1, 10),
        ];
        $out = calculate('force.press', $in);
        $kn = $in['rams'] * $in['gauge_bar'] * M_PI * $in['ram_diameter_mm'] ** 2 / 4 / 1e4;
        expect($out['force_kn'])->toEqualWithDelta($kn, 1e-6 * $kn)
            ->and($out['sheet_bar'])->toEqualWithDelta(1e4 * $kn / $in['length_mm'] / $in['width_mm'], 1e-6);
        $again = calculate('force.press', ['gauge_bar' => $out['gauge_bar_needed']] + $in);
        expect($again['sheet_bar'])->toEqualWithDelta($in['wanted_bar'], 1e-6);
    })->with(seeds());

    it('of a lever are its arms, and the pressure that of the smaller plunger the higher', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'hand_force_n' => $d->between(100, 600), 'lever_long_mm' => $d->between(500, 1500),
            'lever_short_mm' => $d->between(30, 120), 'plunger_diameter_mm' => $d->between(15, 45),
        ];
        $out = calculate('force.lever_injection', $in);
        expect($out['plunger_force_kn'])
            ->toEqualWithDelta($in['hand_force_n'] * $in['lever_long_mm'] / $in['lever_short_mm'] / 1000, 1e-9);
        $half = calculate('force.lever_injection', ['plunger_diameter_mm' => $in['plunger_diameter_mm'] / 2] + $in);
        expect($half['injection_bar'])->toEqualWithDelta(4 * $out['injection_bar'], 1e-6 * $out['injection_bar']);
    })->with(seeds(10));

    it('that hold a mould shut are shared by its bolts alike', function (int $bolts) {
        $out = calculate('force.clamp', [
            'projected_area_cm2' => 80, 'cavity_pressure_bar' => 250, 'bolts' => $bolts, 'bolt_proof_kn' => 30,
        ]);
        expect($out['per_bolt_kn'])->toEqualWithDelta($out['clamp_kn'] / $bolts, 1e-9)
            ->and($out['bolts_ok'])->toBe($out['per_bolt_kn'] <= 30.0)
            ->and($out['clamp_t'])->toEqualWithDelta($out['clamp_kn'] / 9.80665, 1e-3);
    })->with([2, 4, 6, 8, 12]);

    it('keep shot and specific pressure when a recipe moves to another screw', function (int $seed) {
        $d = new Draw($seed);
        $machine = static fn (float $bore): array => [
            'screw_diameter_mm' => $bore, 'intensification' => $d->between(7, 13), 'max_specific_bar' => 4000,
            'max_stroke_mm' => 900, 'max_rpm' => 900, 'max_speed_mm_s' => 900,
        ];
        $from = $machine($d->between(22, 40));
        $to = $machine($d->between(22, 40));
        $recipe = [
            'stroke_mm' => $d->between(30, 100), 'hydraulic_bar' => $d->between(40, 120),
            'hold_hydraulic_bar' => $d->between(20, 60),
            'back_hydraulic_bar' => $d->between(3, 10), 'speed_mm_s' => $d->between(20, 100),
            'rpm' => $d->between(60, 200),
            'cushion_mm' => 5.0, 'changeover_mm' => 12.0,
        ];
        $there = calculate('force.transfer_recipe', ['from' => $from, 'to' => $to, 'recipe' => $recipe])['recipe'];
        expect($there['stroke_mm'] * $to['screw_diameter_mm'] ** 2)
            ->toEqualWithDelta($recipe['stroke_mm'] * $from['screw_diameter_mm'] ** 2, 1e-6 * 1e5)
            ->and($there['hydraulic_bar'] * $to['intensification'])
            ->toEqualWithDelta($recipe['hydraulic_bar'] * $from['intensification'], 1e-3);
        $back = calculate(
            'force.transfer_recipe',
            ['from' => $to, 'to' => $from, 'recipe' => $there + $recipe],
        )['recipe'];
        expect($back['stroke_mm'])->toEqualWithDelta($recipe['stroke_mm'], 1e-6)
            ->and($back['hydraulic_bar'])->toEqualWithDelta($recipe['hydraulic_bar'], 1e-6);
    })->with(seeds(12));
});

describe('a vacuum', function () {
    it('is pumped by Gaede’s law, and later the more there is to pump', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'volume_l' => $d->between(10, 200), 'speed_l_min' => $d->between(30, 900), 'start_kpa' => 101.325,
            'target_kpa' => $d->between(10, 60), 'ultimate_kpa' => $d->between(0.1, 6),
        ];
        $out = calculate('vacuum.pump_down', $in);
        $law = $in['volume_l'] / ($in['speed_l_min'] / 60)
            * log(($in['start_kpa'] - $in['ultimate_kpa']) / ($in['target_kpa'] - $in['ultimate_kpa']));
        expect($out['seconds'])->toEqualWithDelta($law, 1e-6 * $law);
        $more = calculate('vacuum.pump_down', ['volume_l' => 2 * $in['volume_l']] + $in);
        expect($more['seconds'])->toEqualWithDelta(2 * $out['seconds'], 1e-6 * $law);
        $pressures = array_column($out['curve'], 'kpa');
        for ($i = 1; $i < count($pressures); $i++) {
            expect($pressures[$i])->toBeLessThanOrEqual($pressures[$i - 1]);
        }
    })->with(seeds());

    it('is shared by box and tank by Boyle’s law', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'box_l' => $d->between(5, 80), 'blower_kpa' => $d->between(70, 95), 'tank_l' => $d->between(20, 200),
            'tank_kpa' => $d->between(1, 15), 'target_kpa' => 20.0,
        ];
        $out = calculate('vacuum.two_stage', $in);
        $shared = ($in['box_l'] * $in['blower_kpa'] + $in['tank_l'] * $in['tank_kpa']) / ($in['box_l'] + $in['tank_l']);
        expect($out['after_tank_kpa'])->toEqualWithDelta($shared, 1e-6)
            // A first stage never makes it worse.
            ->and($out['after_tank_kpa'])->toBeLessThanOrEqual($out['after_tank_without_first_kpa'] + 1e-9)
            ->and($out['force_n_per_cm2'])->toEqualWithDelta($out['pull_kpa'] / 10, 1e-6);
    })->with(seeds());

    it('leaks what comes in', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'volume_l' => $d->between(5, 200), 'start_kpa' => 5.0, 'end_kpa' => $d->between(5.1, 60),
            'seconds' => $d->between(30, 3600),
        ];
        $out = calculate('vacuum.leak', $in);
        expect($out['leak_mbar_l_s'])
            ->toEqualWithDelta(
                10 * ($in['end_kpa'] - $in['start_kpa']) * $in['volume_l'] / $in['seconds'],
                1e-6 * $out['leak_mbar_l_s'] + 1e-9,
            );
    })->with(seeds(10));

    it('reads the same in every unit, there and back', function (int $seed) {
        $d = new Draw($seed);
        $kpa = $d->between(1, 100);
        foreach (['inhg_gauge', 'kpa_abs', 'kpa_gauge', 'mbar_abs', 'psi_abs', 'bar_gauge', 'torr'] as $unit) {
            $there = calculate('vacuum.convert', ['value' => $kpa, 'from' => 'kpa_abs', 'to' => $unit])['value'];
            $back = calculate('vacuum.convert', ['value' => $there, 'from' => $unit, 'to' => 'kpa_abs'])['value'];
            expect($back)->toEqualWithDelta($kpa, 1e-6, $unit);
        }
        expect(calculate('vacuum.convert', ['value' => $kpa, 'from' => 'kpa_abs', 'to' => 'mbar_abs'])['value'])
            ->toEqualWithDelta(10 * $kpa, 1e-6);
    })->with(seeds(6));

    it('is less to be had the higher one is', function () {
        $before = INF;
        foreach ([0, 250, 800, 1500, 3000] as $altitude) {
            $kpa = calculate('vacuum.atmosphere', ['altitude_m' => $altitude])['atmosphere_kpa'];
            expect($kpa)->toBeLessThan($before)
                ->and($kpa)->toEqualWithDelta(101.325 * (1 - 2.25577e-5 * $altitude) ** 5.2559, 0.05);
            $before = $kpa;
        }
    });
});

describe('a formed part', function () {
    it('has the sheet’s volume in its walls', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'shape' => 'box', 'length_mm' => $d->between(100, 600), 'width_mm' => $d->between(80, 400),
            'height_mm' => $d->between(10, 70), 'draft_deg' => $d->between(2, 8), 'sheet_mm' => $d->between(1, 5),
        ];
        $out = calculate('forming.draw', $in);
        expect($out['mean_wall_mm'] * $out['surface_cm2'])
            ->toEqualWithDelta($in['sheet_mm'] * $out['footprint_cm2'], 1e-6 * $out['footprint_cm2'])
            ->and($out['areal_draw_ratio'])->toEqualWithDelta($out['surface_cm2'] / $out['footprint_cm2'], 1e-6)
            ->and($out['areal_draw_ratio'])->toBeGreaterThanOrEqual(1.0);
        $deeper = calculate('forming.draw', ['height_mm' => 1.5 * $in['height_mm']] + $in);
        expect($deeper['mean_wall_mm'])->toBeLessThan($out['mean_wall_mm']);
    })->with(seeds());

    it('gets thinner the deeper it is, and loses nothing on the way', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'base_diameter_mm' => $d->between(80, 300), 'depth_mm' => $d->between(10, 60),
            'draft_deg' => $d->between(3, 10),
            'sheet_mm' => $d->between(1, 6), 'steps' => 14, 'corner_radius_mm' => $d->between(2, 8),
        ];
        $out = calculate('forming.wall', $in);
        expect(abs($out['volume_error_pct']))->toBeLessThan(0.1);
        $walls = array_column($out['walls'], 'wall_mm');
        for ($i = 1; $i < count($walls); $i++) {
            expect($walls[$i])->toBeLessThanOrEqual($walls[$i - 1] + 1e-9);
        }
        expect($out['thinnest_mm'])->toBeLessThanOrEqual(min($walls) + 1e-9)
            ->and($out['thinnest_mm'])->toBeGreaterThan(0.0);
    })->with(seeds(15));
});

describe('melt', function () {
    it('takes more pressure the longer and the thinner its way, and less the hotter it is', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'polymer' => $d->one(['PP', 'HDPE', 'PS', 'ABS']), 'melt_c' => 225.0, 'flow_cm3_s' => $d->between(3, 30),
            'mould_c' => 40.0,
            'path' => [[
                'kind' => 'slit', 'length_mm' => $d->between(30, 120), 'width_mm' => 30.0,
                'height_mm' => $d->between(1.5, 4),
            ]],
        ];
        $bar = static fn (array $over): float => calculate(
            'flow.fill',
            array_replace_recursive($in, $over),
        )['pressure_bar'];
        $base = $bar([]);
        expect($base)->toBeGreaterThan(0.0)
            ->and($bar(['path' => [['length_mm' => 2 * $in['path'][0]['length_mm']]]]))->toBeGreaterThan(1.5 * $base)
            ->and($bar(['path' => [['height_mm' => 0.8 * $in['path'][0]['height_mm']]]]))->toBeGreaterThan($base)
            ->and($bar(['melt_c' => 240.0]))->toBeLessThan($base)
            ->and($bar(['flow_cm3_s' => 2 * $in['flow_cm3_s']]))->toBeGreaterThan($base)
            // Shear-thinning: twice the flow is less than twice the pressure.
            ->and($bar(['flow_cm3_s' => 2 * $in['flow_cm3_s']]))->toBeLessThan(2 * $base);
    })->with(seeds(10));

    it('cools with the square of the wall, and never in a mould that is as hot as it', function (int $seed) {
        $d = new Draw($seed);
        $in = [
            'polymer' => 'PP', 'thickness_mm' => $d->between(1, 5), 'melt_c' => $d->between(210, 250),
            'mould_c' => $d->between(20, 60), 'eject_c' => 90.0,
        ];
        $once = calculate('heat.cooling_time', $in)['cooling_s'];
        $twice = calculate('heat.cooling_time', ['thickness_mm' => 2 * $in['thickness_mm']] + $in)['cooling_s'];
        expect($twice)->toEqualWithDelta(4 * $once, 0.02 * $twice);
        expect(calculate('heat.cooling_time', ['mould_c' => $in['mould_c'] + 15] + $in)['cooling_s'])
            ->toBeGreaterThan($once);
    })->with(seeds(10));
});

describe('what a part costs', function () {
    it('adds up, and is paid by the good ones alone', function (int $seed) {
        $d = new Draw($seed);
        $good = $d->count(1, 400);
        $in = [
            'good' => $good, 'scrapped' => $d->count(0, 60),
            'material' => [
                ['mass_g' => $d->between(10, 5000), 'price_kg' => $d->between(0.2, 6)],
                ['mass_g' => $d->between(10, 5000), 'price_kg' => $d->between(0.2, 6)],
            ],
            'energy_kwh' => $d->between(0, 60), 'price_kwh' => $d->between(0.1, 0.6),
            'hands' => [['minutes' => $d->between(5, 500), 'price_h' => $d->between(15, 60)]],
        ];
        $out = calculate('cost.part', $in);
        $material = array_sum(array_map(
            static fn (array $m): float => $m['mass_g'] * $m['price_kg'] / 1000,
            $in['material'],
        ));
        $sum = $material + $in['energy_kwh'] * $in['price_kwh'] + $in['hands'][0]['minutes'] / 60 * $in['hands'][0]['price_h'];
        expect($out['total'])->toEqualWithDelta($sum, 1e-6 * $sum)
            ->and($out['per_good_part'])->toEqualWithDelta($sum / $good, 1e-6 * $sum)
            ->and(array_sum(array_column($out['lines'], 'total')))->toEqualWithDelta($sum, 1e-6 * $sum);
    })->with(seeds());
});

describe('a sheet on the scale', function () {
    it('has as many voids as it is lighter than solid', function (int $seed) {
        $d = new Draw($seed);
        $voids = $d->between(0, 12);
        $volume = 600 * 450 * 8.1 / 1000;
        $out = calculate('quality.porosity', [
            'mass_g' => $volume * 0.955 * (1 - $voids / 100), 'length_mm' => 600, 'width_mm' => 450,
            'mean_thickness_mm' => 8.1, 'density_g_cm3' => 0.955,
        ]);
        expect($out['porosity_pct'])->toEqualWithDelta($voids, 1e-6);
    })->with(seeds(10));

    it('weighs in water what its density says', function (int $seed) {
        $d = new Draw($seed);
        $density = $d->between(0.85, 1.5);
        $air = $d->between(5, 60);
        $water = 0.9982;
        $out = calculate('density.archimedes', [
            'mass_air_g' => $air, 'mass_submerged_g' => $air * (1 - $water / $density), 'water_c' => 20,
        ]);
        expect($out['density_g_cm3'])->toEqualWithDelta($density, 2e-3 * $density);
    })->with(seeds(10));
});
