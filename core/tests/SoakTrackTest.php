<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Barrel\BarrelSoakResult;
use Dithermic\Core\Heat\Barrel\SoakTrackResult;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Injection\SoakClock;
use Dithermic\Core\Run\RunState;

const SOAKED_BARREL = ['polymer' => 'PP', 'barrel_diameter_mm' => 38.0, 'wall_c' => 220.0, 'porosity' => 0.15];

/** @param  list<array{t_s: float, wall_c: float}>  $readings */
function soaking(float $now, array $readings, array $over = []): SoakTrackResult
{
    $result = (new Registry)->run(
        'heat.soak_track',
        $over + SOAKED_BARREL + ['now_s' => $now, 'readings' => $readings],
    );
    assert($result instanceof SoakTrackResult);

    return $result;
}

/** @return list<array{t_s: float, wall_c: float}> every half minute */
function wallAt(callable $wall, float $until): array
{
    return array_map(
        static fn (int $i): array => ['t_s' => 30.0 * $i, 'wall_c' => $wall(30.0 * $i)],
        range(0, (int) floor($until / 30)),
    );
}

function plannedSoakS(array $over = []): float
{
    $plan = (new Registry)->run('heat.barrel_soak', $over + SOAKED_BARREL);
    assert($plan instanceof BarrelSoakResult);

    return 60 * $plan->soak_min_full;
}

it('is the plan where the wall is as it was set, at every moment of it', function (float $share) {
    $planned = plannedSoakS();
    $track = soaking($share * $planned, wallAt(static fn (): float => 220.0, $share * $planned));
    expect($track->planned_s)->toEqualWithDelta($planned, 1e-6)
        ->and($track->ready_s)->toEqualWithDelta($planned, 0.01 * $planned)
        ->and($track->as_if_s)->toEqualWithDelta($share * $planned, 0.02 * $planned + 1)
        ->and($track->because)->toBe('The wall is at its set-point.');
})->with([0.0, 0.1, 0.5, 0.9]);

it('needs no reading to say what the plan says', function () {
    $track = soaking(0.0, []);
    expect($track->ready_s)->toEqualWithDelta(plannedSoakS(), 0.01 * plannedSoakS())
        ->and($track->axis_now_c)->toEqualWithDelta(20.0, 0.5)
        ->and($track->wall_now_c)->toBe(220.0);
});

it('takes as long as the soak at the wall that is really there', function (float $wall) {
    $track = soaking(300.0, wallAt(static fn (): float => $wall, 300));
    $target = $track->target_c;
    $alone = plannedSoakS(['wall_c' => $wall, 'target_c' => $target]);
    expect($track->ready_s)->toEqualWithDelta($alone, 0.015 * $alone);
})->with([205.0, 212.0, 228.0]);

it('follows a wall that a cold load pulled down and that comes up again', function () {
    $sag = static fn (float $t): float => min(220.0, 190.0 + 0.05 * $t);
    $track = soaking(240.0, wallAt($sag, 240));
    $later = soaking(600.0, wallAt($sag, 600));
    expect($track->because)->toContain('rises 3.0 K a minute')
        ->and($track->ready_s)->toBeGreaterThan(plannedSoakS())
        // What was foretold when it rose is what comes.
        ->and($track->ready_s)->toEqualWithDelta($later->ready_s, 0.03 * $later->ready_s);
});

it('says that it does not come by itself where the wall stands too cold', function () {
    $dead = soaking(600.0, wallAt(static fn (float $t): float => 220.0 - 0.12 * $t, 600));
    expect($dead->ready_s)->toBeNull()
        ->and($dead->because)->toContain('look at the bands')
        ->and($dead->explanation)->toContain('does not come by itself');
});

it('knows when it was ready, once it is', function () {
    $planned = plannedSoakS();
    $over = soaking(1.5 * $planned, wallAt(static fn (): float => 220.0, 1.5 * $planned));
    expect($over->ready_s)->toEqualWithDelta($planned, 0.02 * $planned)
        ->and($over->axis_now_c)->toBeGreaterThan($over->target_c)
        ->and($over->as_if_s)->toEqualWithDelta($planned, 1.0);
});

it('is later the colder the wall, and never hotter inside than the wall was', function () {
    $before = INF;
    foreach ([200.0, 206.0, 212.0, 218.0, 224.0] as $wall) {
        $track = soaking(400.0, wallAt(static fn (): float => $wall, 400), ['target_c' => 190.0]);
        expect($track->ready_s)->toBeLessThan($before)
            ->and($track->axis_now_c)->toBeLessThanOrEqual($wall + 0.01);
        $before = $track->ready_s;
    }
});

it('leaves out what was read after now, and refuses what is out of order', function () {
    $cold = [
        ['t_s' => 0.0, 'wall_c' => 220.0], ['t_s' => 60.0, 'wall_c' => 220.0], ['t_s' => 4000.0, 'wall_c' => 40.0],
    ];
    expect(soaking(120.0, $cold)->ready_s)->toEqualWithDelta(plannedSoakS(), 0.01 * plannedSoakS());
    try {
        soaking(120.0, [['t_s' => 60.0, 'wall_c' => 220.0], ['t_s' => 60.0, 'wall_c' => 220.0]]);
        expect(false)->toBeTrue('it was taken');
    } catch (InputError $error) {
        expect($error->field)->toBe('readings.1.t_s');
    }
});

it('puts the countdown right by the coldest zone, times what this machine takes', function () {
    $clock = new Clock(null, 'soak', 1_000_000.0, 1_000_000.0 + plannedSoakS(), SoakClock::CHANNELS);
    $read = static fn (float $c): array => array_map(
        static fn (int $i): array => [1_000_000.0 + 5 * $i, $c],
        range(0, 60),
    );
    $by = static fn (array $readings, array $over = []) => (new SoakClock(new Registry))->by(
        $clock,
        $readings,
        $over + ['soak_factor' => 1.0] + SOAKED_BARREL,
        1_000_300.0,
    );
    $good = $by(['barrel_c' => $read(220.0)]);
    expect($good->state)->toBe(CheckState::Ok)->and($good->isOnTime($clock))->toBeTrue();
    $cold = $by(['barrel_c' => $read(220.0), 'zone_2_c' => $read(206.0)]);
    expect($cold->state)->toBe(CheckState::Warn)
        ->and($cold->moreMin($clock))->toBeGreaterThanOrEqual(1.0)
        ->and($cold->says)->toContain('14 K under its set-point');
    $slow = $by(['barrel_c' => $read(220.0)], ['soak_factor' => 1.3]);
    expect($slow->readyAt - 1_000_000.0)->toEqualWithDelta(1.3 * ($good->readyAt - 1_000_000.0), 1.0);
    expect($by(['barrel_c' => $read(120.0)])->state)->toBe(CheckState::Block);
    $hot = (new SoakClock(new Registry))->by(
        new Clock(null, 'soak', $clock->from, $clock->endsAt, SoakClock::CHANNELS, ['feed_c' => 120.0]),
        ['barrel_c' => $read(220.0)],
        SOAKED_BARREL,
        1_000_300.0,
    );
    expect($hot->readyAt)->toBeLessThan($good->readyAt - 120)
        ->and($hot->readyAt)->toBeGreaterThan(1_000_000.0);
    expect($by([]))->toBeNull()
        ->and((new SoakClock(new Registry))->by($clock, ['barrel_c' => $read(220.0)], [], 1_000_300.0))->toBeNull();
});

it('takes the charge as hot as the log says it went in, what says nothing as cold as the room', function () {
    $state = new RunState;
    $state->timers['soak'] = ['started_at' => 100.0, 'ends_at' => 2000.0, 'answered_at' => null];
    $load = static fn (array $values): array => ['entry' => 'load', 'values' => $values];
    $state->entries = ['a' => $load(['mass_g' => 60.0])];
    expect(SoakClock::running($state)[0]->really)->toBe([]);
    $state->entries['b'] = $load(['mass_g' => 40.0, 'feed_c' => 170.0]);
    expect(SoakClock::running($state)[0]->really['feed_c'])->toEqualWithDelta(80.0, 1e-9);
    $state->timers['soak']['answered_at'] = 1900.0;
    expect(SoakClock::running($state))->toBe([]);
});
