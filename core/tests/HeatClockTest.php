<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Compression\HeatClock;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;

/** A panel that went in at 1000 s, its plan, and what its platens should do. */
function heatedPanel(): array
{
    static $made = null;
    if ($made === null) {
        $registry = new Registry(new PolymerLibrary);
        $plan = (new Processes($registry))->get('compression')->plan(new Job(
            'HDPE',
            ['length_mm' => 500, 'width_mm' => 400, 'thickness_mm' => 10, 'thickness_tolerance_mm' => 0.9],
            [
                'hot' => [
                    'name' => 'Anvil',
                    'kind' => 'hot_press',
                    'heater_kw' => 2.2,
                    'platen_kj_k' => 14,
                    'loss_kw' => 0.5,
                    'plate_mm' => 3,
                ],
            ],
        ));
        $made = [$registry, $plan, $plan->picture()];
    }

    return $made;
}

/**
 * What the panel's clock would be by platens that are so far off what the press should do.
 *
 * @param  callable(float): float  $off  K, by seconds since the sheet went in
 * @param  list<string>  $channels
 */
function trackedAfter(
    float $minutes,
    callable $off,
    array $channels = ['platen_top_c', 'platen_low_c'],
    float $until = INF,
): ?Tracked {
    [$registry, $plan, $picture] = heatedPanel();
    $readings = [];
    foreach ($channels as $i => $channel) {
        for ($t = -60; $t <= min(60 * $minutes, $until); $t += 10) {
            $at = 0.0;
            foreach ($plan->cycle->curve as $point) {
                if ($point->time_s <= max(0.0, $t)) {
                    $at = $point->platen_c;
                }
            }
            $readings[$channel][] = [1000.0 + $t, $at + $off((float) $t) + ($i === 0 ? 0.5 : -0.5)];
        }
    }
    $clock = new Clock(null, 'heat', 1000.0, 1000.0 + 60 * $plan->timers[0]->minutes, $channels);

    return (new HeatClock($registry))->by($clock, $readings, $picture['heat_input'], 1000.0 + 60 * $minutes);
}

it('leaves a clock alone while the platens do what the press can', function (float $minutes): void {
    [, $plan] = heatedPanel();
    $tracked = trackedAfter($minutes, static fn (): float => 0.0);
    expect($tracked->state)->toBe(CheckState::Ok)
        ->and($tracked->readyAt)->toEqualWithDelta(1000 + 60 * $plan->timers[0]->minutes, 40)
        ->and($tracked->asIfS)->toEqualWithDelta(60 * $minutes, 45);
})->with([4.0, 8.0, 12.0]);

it('moves it out by what sagging platens cost, and says so', function (): void {
    [, $plan] = heatedPanel();
    $sags = trackedAfter(8.0, static fn (float $t): float => $t > 120 ? -18.0 : 0.0);
    $ends = 1000 + 60 * $plan->timers[0]->minutes;
    expect($sags->state)->toBe(CheckState::Warn)
        ->and($sags->readyAt)->toBeGreaterThan($ends + 60)
        ->and($sags->says)->toContain('min late')
        ->and($sags->asIfS)->toBeLessThan(8 * 60 - 20)
        // The middle is colder than it would be: never hotter than the platens either.
        ->and($sags->nowC)->toBeLessThan(trackedAfter(8.0, static fn (): float => 0.0)->nowC);
});

it('moves it in where the platens are hotter than was said', function (): void {
    [, $plan] = heatedPanel();
    $hot = trackedAfter(8.0, static fn (): float => 14.0);
    expect($hot->readyAt)->toBeLessThan(
        1000 + 60 * $plan->timers[0]->minutes - 30,
    )->and($hot->state)->toBe(CheckState::Ok)
        // No reason for the contrary stands beside it.
        ->and($hot->says)->toContain('min early')
        ->and($hot->says)->not->toContain('under their set-point');
});

it('moves further the further they are off', function (): void {
    $ready = array_map(
        static fn (float $off): float => trackedAfter(7.0, static fn (): float => $off)->readyAt,
        [12.0, 0.0, -7.0, -14.0, -21.0],
    );
    $sorted = $ready;
    sort($sorted);
    expect($ready)->toBe($sorted);
});

it('says what is left of heaters that have gone', function (): void {
    [, $plan] = heatedPanel();
    $dead = trackedAfter(9.0, static fn (float $t): float => -0.14 * max(0.0, $t));
    expect($dead->readyAt)->toBeGreaterThan(1000 + 60 * $plan->timers[0]->minutes + 1800)
        ->and($dead->state)->toBe(CheckState::Warn)
        ->and($dead->says)->toContain('heaters give')->toContain('under their set-point');
});

it('takes one thermocouple as it takes two, and none as nothing', function (): void {
    $two = trackedAfter(8.0, static fn (): float => -6.0);
    $one = trackedAfter(8.0, static fn (): float => -6.0, ['platen_top_c']);
    expect($one->readyAt)->toEqualWithDelta($two->readyAt, 25)
        ->and(trackedAfter(8.0, static fn (): float => 0.0, []))->toBeNull()
        // Read last before the sheet went in: that says nothing of this sheet.
        ->and(trackedAfter(8.0, static fn (): float => 0.0, ['platen_top_c'], -20.0))->toBeNull();
});

it('says since when the platens have not been read', function (): void {
    $silent = trackedAfter(10.0, static fn (): float => 0.0, ['platen_top_c'], 240.0);
    expect($silent->state)->toBe(CheckState::Warn)->and($silent->says)->toContain('not been read for 6 min');
});

it('runs for every sheet that heats, and for none that does not', function (): void {
    [$registry, $plan] = heatedPanel();
    $pressing = (new Processes($registry))->get('compression');
    $machine = new RunMachine(new Procedure($pressing->procedure()), (array) $plan->targets);
    $state = new RunState;
    $at = 1000.0;
    $tell = static function (EventType $type, array $data) use ($machine, $state, &$at): void {
        $machine->apply($state, new Event('k'.($at++), $type, $at, 'Ines', $data));
    };
    $tell(EventType::Started, []);
    expect($pressing->clocks($state))->toBe([]);
    foreach (['preheat', 'plates', 'weigh', 'spread', 'slide_in'] as $step) {
        $tell(EventType::StepDone, ['step' => $step]);
    }
    [$clock] = $pressing->clocks($state);
    expect($clock->timer)->toBe('heat')->and($clock->piece)->toBeNull()->and($clock->from)->toBe($at);
    $tell(EventType::StepDone, ['step' => 'heat', 'reason' => 'x']);
    expect($pressing->clocks($state))->toBe([]);
});
