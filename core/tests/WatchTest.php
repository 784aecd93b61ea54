<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Instrument\AlarmKind;
use Dithermic\Core\Instrument\Limits;
use Dithermic\Core\Instrument\Turn;
use Dithermic\Core\Instrument\Unit;
use Dithermic\Core\Instrument\Watch;
use Dithermic\Core\Instrument\Watched;
use Dithermic\Core\Instrument\Window;

/** @param  list<Turn>  $turns */
function turnsOf(array $turns): string
{
    return implode(' ', array_map(
        static fn (Turn $t): string => ($t->begins ? '+' : '-')."{$t->kind->value}@".round($t->at),
        $turns,
    ));
}

/** @param  array<int|string, float|int>  $readings  by second */
function watched(array $readings, ?Window $window, ?Limits $limits = null, ?Watch $watch = null): string
{
    $watch ??= new Watch;
    $watch->begin(0.0);
    $turns = [];
    foreach ($readings as $at => $value) {
        array_push($turns, ...$watch->take($limits ?? new Limits, $window, (float) $at, (float) $value));
    }

    return turnsOf($turns);
}

it('reads the unit of a channel off the end of its name', function (string $key, string $unit) {
    expect(Unit::of($key))->toBe($unit);
})->with([
    ['platen_top_c', '°C'], ['vacuum_kpa', 'kPa'], [
        'coolant_l_min',
        'l/min',
    ], ['screw_rpm', '1/min'], ['zone_2_c', '°C'],
    ['door', ''], ['c', ''], ['wall_mm', 'mm'], ['stroke_mm_s', 'mm/s'], ['leak_mbar_l_s', 'mbar·l/s'], ['count', ''],
]);

it('is not alarmed by what is still heating up, and is once it has been there', function () {
    $heating = [0 => 20, 60 => 90, 120 => 150, 180 => 181, 190 => 182];
    $sagging = [200 => 174, 205 => 173, 211 => 172];
    $back = [220 => 180, 225 => 181, 231 => 182];
    $window = new Window(175.0, 190.0);
    expect(watched($heating, $window))->toBe('')
        ->and(watched($heating + $sagging, $window))->toBe('+low@211')
        ->and(watched($heating + $sagging + $back, $window))->toBe('+low@211 -low@231');
});

it('holds back no high alarm: too hot is too hot from the first reading on', function () {
    expect(watched([0 => 210, 10 => 211], new Window(175.0, 190.0)))->toBe('+high@10');
});

it('rings once for what swings around a limit', function () {
    $swing = [];
    for ($t = 0; $t < 600; $t += 5) {
        $swing[$t] = 185 + 8 * sin($t / 2);
    }
    expect(watched($swing, new Window(null, 190.0)))->toBe('')
        ->and(watched($swing, new Window(null, 190.0), new Limits(delayS: 0.0)))->not->toBe('');
    // Out for good, then in and out again faster than the delay: one alarm.
    $out = [0 => 180, 10 => 195, 20 => 195, 25 => 185, 30 => 195, 35 => 185, 40 => 195];
    expect(watched($out, new Window(null, 190.0)))->toBe('+high@20');
});

it('changes over from too cold to too hot without both standing', function () {
    $watch = new Watch;
    $said = watched(
        [0 => 180, 10 => 170, 20 => 170, 30 => 200, 40 => 200],
        new Window(175.0, 190.0),
        null,
        $watch,
    );
    expect($said)->toBe('+low@20 -low@40 +high@40')->and($watch->standing())->toBe([AlarmKind::High]);
});

it('takes a change over half a minute, not between two noisy readings', function () {
    $limits = new Limits(Watched::Always, perMin: 6.0);
    $noise = [];
    for ($t = 0; $t <= 120; $t++) {
        $noise[$t] = 180 + ($t % 2);
    }
    expect(watched($noise, null, $limits))->toBe('');
    // 8 K a minute, then at rest.
    $falls = [0 => 180, 30 => 176, 60 => 172, 90 => 172, 120 => 172];
    expect(watched($falls, null, $limits))->toBe('+fast@30 -fast@90');
});

it('says when an instrument is silent, once, and when it speaks again', function () {
    $limits = new Limits(Watched::Run, silentS: 60.0);
    $watch = new Watch;
    $watch->begin(1000.0);
    expect(turnsOf($watch->look($limits, 1050.0)))->toBe('')
        ->and(turnsOf($watch->look($limits, 1061.0)))->toBe('+silent@1061')
        ->and(turnsOf($watch->look($limits, 1200.0)))->toBe('')
        ->and(turnsOf($watch->take($limits, null, 1210.0, 20.0)))->toBe('-silent@1210')
        ->and(turnsOf($watch->look($limits, 1269.0)))->toBe('')
        ->and(turnsOf($watch->look($limits, 1271.0)))->toBe('+silent@1271');
});

it('is not silent before it is watched', function () {
    $watch = new Watch;
    expect($watch->look(new Limits(Watched::Run, silentS: 1.0), 5000.0))->toBe([]);
});

it('lets nothing that comes late change what is now', function () {
    $watch = new Watch;
    expect(watched([100 => 180, 110 => 180], new Window(175.0, 190.0), null, $watch))->toBe('')
        ->and(watched([50 => 300, 61 => 300, 80 => 300], new Window(175.0, 190.0), null, $watch))->toBe('')
        ->and($watch->lastAt())->toBe(110.0);
});

it('is not alarmed by what an instrument kept in its memory from before it was watched', function (): void {
    $watch = new Watch;
    $watch->begin(1000.0);
    $window = new Window(null, 190.0);
    $turns = [];
    foreach ([700 => 250, 720 => 250, 999 => 250, 1001 => 185, 1020 => 185] as $at => $value) {
        array_push($turns, ...$watch->take(new Limits, $window, (float) $at, (float) $value));
    }
    expect($turns)->toBe([])->and($watch->lastAt())->toBe(1020.0);
});

it('ends what stands when it is no longer watched, and begins with nothing learnt', function () {
    $window = new Window(175.0, null);
    $watch = new Watch;
    watched([0 => 180, 10 => 160, 20 => 160], $window, null, $watch);
    expect(turnsOf($watch->end(30.0)))->toBe('-low@30')
        ->and($watch->end(31.0))->toBe([])
        ->and($watch->since())->toBeNull()
        ->and(watched([40 => 20, 60 => 25], $window, null, $watch))->toBe('');
});

it('goes on after a restart as if there had been none, whatever comes', function () {
    mt_srand(5);
    $limits = new Limits(Watched::Run, 170.0, 190.0, delayS: 7.0, silentS: 40.0, perMin: 9.0);
    $window = $limits->window([]);
    for ($round = 0; $round < 60; $round++) {
        $whole = new Watch;
        $broken = new Watch;
        $whole->begin(0.0);
        $broken->begin(0.0);
        $standing = [];
        for ($t = 0, $v = 20.0; $t < 900; $t += mt_rand(1, 60)) {
            $v = 180 + 30 * sin($t / 90) + mt_rand(-60, 60) / 10;
            $a = [...$whole->look($limits, (float) $t), ...$whole->take($limits, $window, (float) $t, $v)];
            $broken = Watch::from(new Record(json_decode((string) json_encode($broken->kept()), true)));
            $b = [...$broken->look($limits, (float) $t), ...$broken->take($limits, $window, (float) $t, $v)];
            expect(turnsOf($b))->toBe(turnsOf($a));
            foreach ($a as $turn) {
                // An alarm begins only where it did not stand, and ends only where it did.
                expect(isset($standing[$turn->kind->value]))->toBe(! $turn->begins);
                if ($turn->begins) {
                    $standing[$turn->kind->value] = true;
                } else {
                    unset($standing[$turn->kind->value]);
                }
            }
        }
        expect(isset($standing['low'], $standing['high']))->toBeFalse();
    }
});

it('follows a number of the plan, and watches nothing where the plan has none', function () {
    $limits = new Limits(Watched::Run, -8.0, 6.0, 'platen_c');
    expect($limits->window(['platen_c' => 185]))->toEqual(new Window(177.0, 191.0))
        ->and($limits->window(['melt_c' => 185]))->toBeNull()
        ->and($limits->window(['platen_c' => 'hot']))->toBeNull()
        ->and((new Limits(Watched::Run, null, 6.0, 'platen_c'))->window(['platen_c' => 185.5]))
        ->toEqual(new Window(null, 191.5));
});

it('refuses limits that cannot be meant', function (array $said, string $field) {
    expect(fn () => new Limits(...$said))->toThrow(InputError::class)
        ->and((static function () use ($said): string {
            try {
                new Limits(...$said);
            } catch (InputError $e) {
                return $e->field;
            }

            return '';
        })())->toBe($field);
})->with([
    'crossed' => [['low' => 5.0, 'high' => 5.0], 'high'],
    'nothing to follow with' => [['follows' => 'platen_c', 'silentS' => 9.0], 'low'],
    'a plan without a run' => [['watched' => Watched::Always, 'low' => -1.0, 'follows' => 'platen_c'], 'watched'],
    'nothing to watch' => [['watched' => Watched::Run], 'watched'],
    'no delay' => [['low' => 1.0, 'delayS' => -1.0], 'delay_s'],
    'silent at once' => [['silentS' => 0.0], 'silent_s'],
    'no change at all' => [['perMin' => -2.0], 'per_min'],
    'no number' => [['low' => NAN], 'low'],
    'endless' => [['high' => INF], 'high'],
]);

it('says an alarm in words that can be read from two steps away', function (
    AlarmKind $kind,
    float $value,
    float $limit,
    string $says,
) {
    expect($kind->says($value, $limit, '°C'))->toBe($says);
})->with([
    [AlarmKind::Low, 171.4, 177.0, '171 °C, under 177 °C'],
    [AlarmKind::High, 42.25, 40.0, '42.3 °C, over 40 °C'],
    [AlarmKind::Fast, -8.0, 6.0, 'changes by -8 °C a minute, more than 6 °C'],
    [AlarmKind::Silent, 127.2, 120.0, 'nothing read for 127 s'],
]);

it('says between what a channel should stay, once for every screen', function (Limits $limits, string $says): void {
    expect($limits->says('°C'))->toBe($says);
})->with([
    [new Limits, 'not watched'],
    [new Limits(Watched::Run, -8.0, 6.0, 'platen_c'), "in a run: -8 to +6 K from the plan's platen_c"],
    [new Limits(Watched::Always, null, 40.0, silentS: 60.0), 'always: at most 40 °C, silent for at most 60 s'],
    [new Limits(Watched::Run, 20.0, perMin: 5.0), 'in a run: at least 20 °C, at most 5 °C a minute'],
    [new Limits(Watched::Always, -5.0, 7.5), 'always: -5 to 7.5 °C'],
]);
