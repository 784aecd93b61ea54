<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Compression\PlanResult;
use Dithermic\Core\Process\Compression\Series;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Room;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Dithermic\Core\Stock\ChargeLots;

require_once __DIR__.'/walk.php';

const OF_SHEETS = ['polymer' => 'HDPE', 'product' => [
    'length_mm' => 600, 'width_mm' => 450, 'thickness_mm' => 8, 'thickness_tolerance_mm' => 1,
]];

it('plans several sheets by the slower press, and one as one pass', function (float $cool): void {
    $series = Series::of(4, ['heat_min' => 12.0, 'cool_min' => $cool]);
    // Hot: one minute in, twelve hot. Cold: one across, one to load, its cooling, three to open.
    expect($series->takt_min)->toBe(max(13.0, $cool + 5))
        ->and($series->held_by)->toBe($cool + 5 > 13 ? 'cold' : 'hot')
        ->and($series->total_min)->toBe(3 * max(13.0, $cool + 5) + 13 + $cool + 5)
        ->and($series->alone_min)->toBe(4 * (18 + $cool));
})->with([4.0, 8.0, 20.0]);

it('asks for no series where one sheet is made, and says so where several are', function (): void {
    $one = (new Registry)->run('plan.compression', OF_SHEETS);
    $three = (new Registry)->run('plan.compression', ['settings' => ['sheets' => 3]] + OF_SHEETS);
    assert($one instanceof PlanResult && $three instanceof PlanResult);
    expect($one->series)->toBeNull()
        ->and($one->targets->pieces)->toBe(1.0)
        ->and($three->series?->sheets)->toBe(3)
        ->and($three->targets->pieces)->toBe(3.0)
        ->and($three->explanation)->toContain('3 sheets, one every')
        // What goes into one sheet is the same.
        ->and($three->charge->mass_g)->toBe($one->charge->mass_g)
        ->and($three->targets->heat_min)->toBe($one->targets->heat_min);
    expect(static fn () => (new Registry)->run('plan.compression', ['settings' => ['sheets' => 1.5]] + OF_SHEETS))
        ->toThrow(InputError::class, 'whole number');
    foreach ([0, -2, 1000] as $sheets) {
        expect(static fn () => (new Registry)->run(
            'plan.compression',
            ['settings' => ['sheets' => $sheets]] + OF_SHEETS,
        ))
            ->toThrow(InputError::class);
    }
});

it('knows when a place has room: by timers as they run, and by the plan for what is on its way', function (): void {
    $procedure = new Procedure(Series::procedure());
    $room = new Room($procedure, ['heat_min' => 12.0, 'cool_min' => 8.0]);
    $state = new RunState;
    expect($room->freeAt($state, 'cold', null))->toBeNull()->and($room->freeAt($state, 'bench', null))->toBeNull();

    $piece = $state->pieces[1] = new Thread(1);
    [$piece->step, $piece->stepSince] = ['spread', 1000.0];
    // Nothing hot yet: it holds nobody up.
    expect($room->freeAt($state, 'cold', null))->toBeNull();

    $running = ['id' => 'heat', 'started_at' => 1060.0, 'ends_at' => 1780.0, 'minutes' => 12.0, 'answered_at' => null];
    $piece->timers['heat'] = $running;
    [$piece->step, $piece->done] = ['heat', array_fill_keys(['plates', 'weigh', 'spread', 'slide_in'], [])];
    expect($room->freeAt($state, 'cold', null))->toBe(1780.0 + 60 * (1 + 1 + 8 + 3))
        ->and($room->freeAt($state, 'cold', 1))->toBeNull();

    // As its cooling really runs, also where somebody has changed its time.
    $piece->timers['cool'] = ['id' => 'cool', 'ends_at' => 4000.0] + $running;
    [$piece->step, $piece->stepSince] = ['cool', 1900.0];
    $piece->done += array_fill_keys(['heat', 'transfer', 'pressure_on'], []);
    expect($room->freeAt($state, 'cold', 2))->toBe(4000.0 + 180);
    $piece->outcome = Thread::DROPPED;
    expect($room->freeAt($state, 'cold', 2))->toBeNull();
});

it('lets no order of touches heat a sheet that has nowhere to go, or put two in one press', function (int $seed): void {
    $plan = ['heat_min' => 6.0, 'cool_min' => 14.0, 'pieces' => 5.0, 'platen_ready_c' => 180, 'charge_mass_g' => 2166];
    $procedure = new Procedure(Series::procedure());
    $machine = new RunMachine($procedure, $plan + array_fill_keys($procedure->body['plan'], 20.0));
    $dice = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $state = new RunState;
    $at = 1_000_000.0;
    $n = 0;
    $tell = static function (EventType $type, array $data) use ($machine, $state, &$at, &$n): bool {
        $event = new Event('r'.$n++, $type, $at, 'Jun', $data);
        if ($machine->refuses($state, $event) !== null) {
            return false;
        }
        $machine->apply($state, $event);

        return true;
    };
    $tell(EventType::Started, []);
    $rooms = new Room($procedure, $machine->plan);
    $gone = 0;
    while ($n < 2500 && $state->status === RunState::RUNNING) {
        $at += $dice->getInt(1, 90);
        $threads = $state->underWay();
        $thread = $threads === [] ? null : $threads[$dice->getInt(0, count($threads) - 1)];
        $step = $procedure->step((string) $thread?->step);
        if ($step === null || $dice->getInt(0, 6) === 0) {
            $tell(EventType::PieceBegun, ['piece' => count($state->pieces) + 1]);

            continue;
        }
        $before = $step->id;
        foreach (throughStep($procedure, $step, $machine->plan, $thread->piece) as $e) {
            unset($e['data']['reason']);
            $tell(EventType::from($e['type']), $e['data']);
        }
        if ($before === 'spread' && $thread->step === 'slide_in') {
            // Whoever is in the cold press, or on the way there, will have left it when this one is hot.
            $gone++;
            expect($rooms->freeAt($state, 'cold', $thread->piece) ?? 0.0)->toBeLessThanOrEqual($at + 360.5);
        }
        foreach (['hot', 'cold', 'ready'] as $place) {
            $there = array_filter($state->pieces, static fn (Thread $p): bool => $p->outcome === Thread::OPEN
                && $procedure->step((string) $p->step)?->place === $place);
            expect(count($there))->toBeLessThanOrEqual(1);
        }
    }
    expect($gone)->toBeGreaterThan(3);
})->with(range(1, 12));

it('takes a run\'s charges first, and the lot for what goes beyond them', function (): void {
    expect(ChargeLots::beyond(0, 2166))->toBe(2166.0)
        ->and(ChargeLots::beyond(2166, 2160))->toBe(0.0)
        // two scales differ
        ->and(ChargeLots::beyond(2166, 2180))->toBe(0.0)
        ->and(ChargeLots::beyond(2166, 4330))->toBe(2164.0);
    ChargeLots::mustBeOf([7 => 2166.0, 8 => 0.0], [7 => 'L-0101']);
    expect(static fn () => ChargeLots::mustBeOf([7 => 2000.0, 8 => 166.0], [7 => 'L-0101']))
        ->toThrow(InputError::class, 'L-0101');
});
