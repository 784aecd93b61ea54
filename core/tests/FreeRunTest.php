<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Barrel\StripAge;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Processes;

/** @return array<string, mixed> */
function fedStrip(float $ageS, mixed ...$with): array
{
    return calculate('heat.strip_feed', $with + [
        'polymer' => 'HDPE',
        'melt_c' => 190,
        'age_s' => $ageS,
        'barrel_diameter_mm' => 40,
        'wall_c' => 210,
        'diameter_mm' => 25,
    ]);
}

/** @return array<string, mixed> */
function drawnOff(array $product, array $machine = []): array
{
    return calculate('plan.extrusion', [
        'polymer' => 'HDPE',
        'machine' => $machine + ['throughput_kg_h' => 12, 'bath_c' => 14],
        'product' => $product,
    ]);
}

it('cools as a body without inner resistance where it is thin: e to the minus of time over its own', function (): void {
    // PS far over its glass transition, 4 mm thick: Biot under 0.1. m·c over h·A of a long cylinder is ρ·c·R/2 over h.
    $polymer = (new PolymerLibrary)->get('PS');
    $c = 1000 * (float) $polymer->property('specific_heat_melt_j_gk');
    $rho = 1000 * (float) $polymer->property('density_g_cm3');
    $tau = $rho * $c * 0.002 / 2 / 12;
    $after = fedStrip(0.15 * $tau, polymer: 'PS', melt_c: 230, wall_c: 230, diameter_mm: 4);
    expect($after['mean_c'])->toEqualWithDelta(20 + 210 * exp(-0.15), 4.0)
        ->and($after['core_c'] - $after['face_c'])->toBeLessThan(20.0);
});

it('is melt as it is cut and room as it is forgotten, and loses heat all the while', function (): void {
    $new = fedStrip(0);
    expect($new['core_c'])->toEqualWithDelta(190, 0.1)
        ->and($new['mean_c'])->toEqualWithDelta(190, 0.1)
        ->and($new['gains'])->toBeTrue();
    $last = 200.0;
    foreach ([10, 60, 300, 900, 3600, 40000] as $age) {
        $mean = fedStrip($age)['mean_c'];
        expect($mean)->toBeLessThan($last);
        $last = $mean;
    }
    expect($last)->toEqualWithDelta(20, 0.5);
});

it('saves of the soak what it brings along, and says when that is nothing any more', function (): void {
    $strip = fedStrip(120);
    $soak = calculate('heat.barrel_soak', [
        'polymer' => 'HDPE', 'barrel_diameter_mm' => 40, 'wall_c' => 210, 'feed_c' => $strip['mean_c'],
        // one alone leaves this of the bore
        'porosity' => 1 - (25 / 40) ** 2 > 0.5 ? 0.2 : 1 - (25 / 40) ** 2,
    ]);
    expect($strip['soak_min'])->toEqualWithDelta($soak['soak_min_full'], 0.3)
        ->and($strip['gain_min'])->toEqualWithDelta($strip['soak_cold_min'] - $strip['soak_min'], 1e-9);
    $keeps = $strip['keeps_s'];
    expect(fedStrip($keeps - 60)['gains'])->toBeTrue()
        ->and(fedStrip($keeps + 60)['gains'])->toBeFalse()
        ->and(fedStrip($keeps + 60)['explanation'])->toContain('gains nothing any more')
        // A thinner one is cold sooner, and so is one in moving air.
        ->and(fedStrip(0, diameter_mm: 12)['keeps_s'])->toBeLessThan($keeps)
        ->and(fedStrip(0, h_w_m2k: 30)['keeps_s'])->toBeLessThan($keeps)
        ->and(fedStrip(0, melt_c: 40)['keeps_s'])->toBeNull();
});

it('is the shot by its length', function (): void {
    $density = (float) (new PolymerLibrary)->get('HDPE')->property('density_g_cm3');
    expect(fedStrip(0, shot_g: 60)['length_mm'])->toEqualWithDelta(60 / ($density * M_PI / 4 * 2.5 ** 2) * 10, 1e-6)
        ->and(fedStrip(0)['length_mm'])->toBeNull()
        // A flat one of the same section is as long.
        ->and(fedStrip(0, diameter_mm: null, width_mm: 25, height_mm: M_PI / 4 * 25, shot_g: 60)['length_mm'])
        ->toEqualWithDelta(fedStrip(0, shot_g: 60)['length_mm'], 1e-6);
});

it('refuses a strip that goes into no bore, and one that nobody measured', function (array $with, string $field): void {
    expect(fn () => calculate('heat.strip_feed', $with + [
        'polymer' => 'HDPE', 'melt_c' => 190, 'age_s' => 0, 'barrel_diameter_mm' => 40, 'wall_c' => 210,
    ]))->toThrow(fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    [['diameter_mm' => 41], 'diameter_mm'],
    [['width_mm' => 38, 'height_mm' => 20], 'width_mm'],
    [['width_mm' => 20], 'diameter_mm'],
    [['diameter_mm' => 25, 'melt_c' => 15], 'melt_c'],
]);

it('is read off between the ages that were worked out', function (): void {
    $ages = array_map(
        static fn ($a): StripAge => new StripAge($a['age_s'], $a['core_c'], $a['mean_c'], $a['soak_min']),
        array_map(static fn ($a): array => (array) $a, fedStrip(0, with_ages: true)['ages']),
    );
    $exact = fedStrip(200);
    $read = StripAge::at($ages, 200.0);
    expect($read->core_c)->toEqualWithDelta($exact['core_c'], 3.0)
        ->and($read->soak_min)->toEqualWithDelta($exact['soak_min'], 1.5)
        ->and(StripAge::at($ages, 0.0)->core_c)->toEqualWithDelta(190, 0.2)
        // Older than the oldest: it is as good as cold, and is not reckoned on.
        ->and(StripAge::at($ages, 1e6)->soak_min)->toBe(end($ages)->soak_min);
});

it('plans strips by what they feed, without a mould or a tank', function (): void {
    $plan = drawnOff(['diameter_mm' => 25, 'feeds_bore_mm' => 40, 'feeds_melt_c' => 210, 'shot_g' => 31, 'bars' => 20]);
    $targets = (array) $plan['targets'];
    expect($plan['take_off'])->toBe('strips')
        ->and($plan['bath'])->toBeNull()
        ->and($targets['bar_mass_g'])->toEqualWithDelta(31, 0.1)
        // What the extruder gives in the time from cut to cut is one strip.
        ->and(12000 / 60 * $targets['cut_min'])->toEqualWithDelta(31, 0.2)
        ->and($targets['keep_min'])->toBeGreaterThan(5)
        ->and((new Processes(new Registry))->get('extrusion')->outForm($targets))->toBe('strip');
    expect(
        fn () => drawnOff(['diameter_mm' => 25, 'feeds_bore_mm' => 40]),
    )->toThrow(InputError::class, 'one shot of the injector');
});

it('draws a profile at the speed that makes its section of what the extruder gives', function (): void {
    $plan = drawnOff(['diameter_mm' => 20, 'length_mm' => 3000, 'die_area_mm2' => 400]);
    $profile = (array) $plan['profile'];
    $density = (float) (new PolymerLibrary)->get('HDPE')->property('density_g_cm3');
    $area = M_PI / 4 * 20 ** 2;
    expect($plan['take_off'])->toBe('profile')
        ->and($profile['haul_m_min'])->toEqualWithDelta(12 / 60 / ($density * 1e3 * $area * 1e-6), 0.002)
        ->and($profile['draw_down'])->toEqualWithDelta(400 / $area, 1e-3)
        // Twice as thick, a quarter of the speed; twice as much melt, twice the speed and twice the trough.
        ->and(((array) drawnOff([
            'diameter_mm' => 40, 'length_mm' => 3000, 'die_area_mm2' => 1600,
        ])['profile'])['haul_m_min'])
        ->toEqualWithDelta($profile['haul_m_min'] / 4, 0.002);
    $fast = (array) drawnOff(
        ['diameter_mm' => 20, 'length_mm' => 3000, 'die_area_mm2' => 400],
        ['throughput_kg_h' => 24],
    )['profile'];
    expect($fast['through_m'])->toEqualWithDelta(2 * $profile['through_m'], 0.02);
});

it('doubts a die that would tear it or would have to be pushed', function (float $die, string $state): void {
    $checks = array_column(
        drawnOff(['diameter_mm' => 20, 'length_mm' => 3000, 'die_area_mm2' => $die])['checks'],
        null,
        'id',
    );
    $check = (array) $checks['draw_down'];
    expect($check['state'])->toBe($state);
})->with([[300.0, 'warn'], [400.0, 'ok'], [700.0, 'warn']]);

it('puts the haul-off right by what was measured across: the section goes with one over the speed', function (): void {
    $extrusion = (new Processes(new Registry))->get('extrusion');
    $polymer = (new PolymerLibrary)->get('HDPE');
    $targets = ['size_mm' => 20.0, 'size_tolerance_mm' => 0.3, 'haul_m_min' => 0.66];
    $thick = $extrusion->inspect('size', new Record(['size_mm' => 21.0]), $targets, $polymer);
    // Drawn so much faster, 21 mm become 20: area over speed.
    expect($thick->result['verdict'])->toBe('thick')
        ->and($thick->result['haul_m_min'])->toEqualWithDelta(0.66 * 21 ** 2 / 20 ** 2, 1e-3)
        ->and(21.0 * sqrt(0.66 / $thick->result['haul_m_min']))->toEqualWithDelta(20.0, 0.01);
    // From the speed that it runs at now, where that was said.
    expect($extrusion->inspect(
        'size',
        new Record(['size_mm' => 19.0, 'haul_m_min' => 0.8]),
        $targets,
        $polymer,
    )->result['haul_m_min'])
        ->toEqualWithDelta(0.8 * (19 / 20) ** 2, 1e-3);
    expect($extrusion->inspect('size', new Record(['size_mm' => 20.3]), $targets, $polymer)->result['verdict'])
        ->toBe('in size');
    expect(
        fn () => $extrusion->inspect('size', new Record(['size_mm' => 20]), [], $polymer),
    )->toThrow(InputError::class);
    $figures = static fn (array $t): array => array_map(
        static fn ($f): string => $f->id,
        $extrusion->figuresOf($t, []),
    );
    expect($figures($targets + ['bath_c' => 14.0]))->toContain('size_mm')->not->toContain('tank_min')
        ->and($figures(['bath_c' => 14.0, 'tank_min' => 8.0]))->toContain('tank_min')->not->toContain('size_mm')
        ->and($figures([]))->not->toContain('bath_c');
});

it('works each take-off by a procedure of its own', function (array $product, string $procedure): void {
    $extrusion = (new Processes(new Registry))->get('extrusion');
    $job = new Job('HDPE', $product, ['barrel' => ['name' => 'Adder', 'kind' => 'extruder', 'throughput_kg_h' => 12]]);
    $plan = $extrusion->plan($job);
    $body = $extrusion->procedureFor($plan);
    expect($body['id'])->toBe($procedure);
    foreach ($body['plan'] as $name) {
        expect((array) $plan->targets)->toHaveKey($name);
    }
})->with([
    [['width_mm' => 60, 'height_mm' => 40, 'length_mm' => 1500], 'extrusion'],
    [['diameter_mm' => 25, 'feeds_bore_mm' => 40, 'feeds_melt_c' => 210, 'shot_g' => 31], 'extrusion_strips'],
    [['diameter_mm' => 20, 'length_mm' => 3000, 'die_area_mm2' => 400], 'extrusion_profile'],
]);
