<?php

declare(strict_types=1);

/** Curves that screens draw must be the same physics as the numbers beside them. */
function ofBench(string $name, array $over = []): array
{
    $registry = new Dithermic\Core\Calculator\Registry;
    $example = array_column($registry->bench(), 'example', 'name')[$name];

    return json_decode((string) json_encode($registry->run($name, $over + $example)), true);
}

it('draws a pump-down that falls, starts where it starts and passes the target when it says', function () {
    $got = ofBench(
        'vacuum.pump_down',
        ['volume_l' => 60, 'speed_l_min' => 170, 'start_kpa' => 101.325, 'target_kpa' => 20],
    );
    $kpa = array_column($got['curve'], 'kpa');
    expect($got['curve'][0]['time_s'])->toEqual(0)->and($kpa[0])->toEqualWithDelta(101.325, 1e-6);
    for ($i = 1; $i < count($kpa); $i++) {
        expect($kpa[$i])->toBeLessThanOrEqual($kpa[$i - 1] + 1e-9);
    }
    $before = array_filter($got['curve'], static fn (array $p): bool => $p['time_s'] < $got['seconds'] - 1e-6);
    $after = array_filter($got['curve'], static fn (array $p): bool => $p['time_s'] > $got['seconds'] + 1e-6);
    expect(min(array_column($before, 'kpa')))->toBeGreaterThan(20 - 1e-6);
    $after === [] || expect(max(array_column($after, 'kpa')))->toBeLessThan(20 + 1e-6);
});

it('pulls in time or not by the sheet\'s own window', function () {
    $seconds = ofBench('vacuum.pump_down')['seconds'];
    expect(ofBench('vacuum.pump_down', ['form_within_s' => $seconds + 1])['in_time'])->toBeTrue()
        ->and(ofBench('vacuum.pump_down', ['form_within_s' => $seconds - 1])['in_time'])->toBeFalse();
});

it('ends a two-stage pull where tank and box come to one pressure, by the gas in both', function () {
    $in = [
        'box_l' => 30,
        'blower_kpa' => 80,
        'tank_l' => 50,
        'tank_kpa' => 5,
        'blower_l_min' => 1500,
        'valve_l_min' => 900,
    ];
    $got = ofBench('vacuum.two_stage', $in);
    // Boyle: nothing comes in or goes out while they equalise.
    $equal = (30 * $got['after_first_kpa'] + 50 * 5) / 80;
    expect($got['after_tank_kpa'])->toEqualWithDelta($equal, 1e-6);
    $kpa = array_column($got['curve'], 'kpa');
    expect(end($kpa))->toEqualWithDelta($equal, 1.0)->and(min($kpa))->toBeGreaterThanOrEqual($equal - 1e-6);
    $open = array_values(array_filter(
        $got['curve'],
        static fn (array $p): bool => $p['time_s'] <= $got['tank_opens_s'] + 1e-6,
    ));
    expect(end($open)['kpa'])->toEqualWithDelta($got['after_first_kpa'], 0.5);
});

it('needs a larger tank for a harder pull, and takes longer through a smaller valve', function () {
    $litres = array_map(
        static fn (float $kpa): float => ofBench('vacuum.two_stage', ['target_kpa' => $kpa])['tank_l_needed'],
        [40.0, 30.0, 20.0, 10.0],
    );
    $sorted = $litres;
    sort($sorted);
    expect($litres)->toBe($sorted)
        ->and(ofBench('vacuum.two_stage', ['valve_l_min' => 300, 'target_kpa' => 40])['seconds_to_target'])
        ->toBeGreaterThan(
            ofBench('vacuum.two_stage', ['valve_l_min' => 1200, 'target_kpa' => 40])['seconds_to_target'],
        );
});

it('profiles a sheet from its cold face to its heated one, with the mean it says', function () {
    $got = ofBench('heat.vacuum_sheet', ['with_profile' => true, 'sides' => 1]);
    $seen = 0;
    foreach ($got['curve'] as $point) {
        if ($point['time_s'] <= 1 || $point['time_s'] > $got['ready_s']) {
            continue;
        }
        $through = $point['profile_c'];
        // The cold face may be a breath warmer than what lies behind it: the room is warmer than the sheet was.
        foreach (array_slice($through, 1) as $i => $hotter) {
            expect($hotter)->toBeGreaterThan($through[$i] - 0.3);
        }
        expect(array_sum($through) / count($through))->toEqualWithDelta($point['mean_c'], 1.0)
            ->and(end($through))
            ->toBeLessThanOrEqual($point['hottest_c'] + 0.06);
        $seen++;
    }
    expect($seen)->toBeGreaterThan(5);
    expect($got['sheet_lower_c'])->toBeLessThan($got['sheet_normal_c'])
        ->and($got['sheet_normal_c'])
        ->toBeLessThan($got['sheet_upper_c'])
        ->and($got['ready_s'])->toBeLessThan($got['limit_s']);
});

it('cools a bar from its faces inward in every section it draws', function () {
    $got = ofBench('heat.bar_in_bath', ['with_section' => true]);
    expect(count($got['sections']))->toBeGreaterThan(5)->toBeLessThanOrEqual(41);
    $hottest = INF;
    foreach ($got['sections'] as $section) {
        $max = max(array_map('max', $section['cells']));
        expect($max)->toBeLessThanOrEqual($hottest + 0.11);
        $hottest = $max;
    }
    expect($got['sections'][0]['minutes'])->toEqual(0);
});
