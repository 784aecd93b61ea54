<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Sheet\SheetTrackResult;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Process\VacuumForming\SheetClock;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

const HEATED_SHEET = [
    'polymer' => 'HIPS', 'thickness_mm' => 2.0, 'initial_c' => 20.0, 'sides' => 1, 'ambient_c' => 20.0,
    'heater_c' => 450.0, 'exchange' => 0.6,
];

/** @param  list<array{t_s: float, heater_c: float}>  $readings */
function heatedSheet(float $now, array $readings, array $over = []): SheetTrackResult
{
    $asked = $over + HEATED_SHEET + ['now_s' => $now, 'readings' => $readings];
    $result = (new Registry)->run('heat.sheet_track', $asked);
    assert($result instanceof SheetTrackResult);

    return $result;
}

function plannedSheet(array $over = []): VacuumSheetResult
{
    $plan = (new Registry)->run('heat.vacuum_sheet', $over + HEATED_SHEET);
    assert($plan instanceof VacuumSheetResult);

    return $plan;
}

/** @return list<array{t_s: float, heater_c: float}> every four seconds */
function heaterAt(callable $heater, float $until): array
{
    return array_map(
        static fn (int $i): array => ['t_s' => 4.0 * $i, 'heater_c' => $heater(4.0 * $i)],
        range(0, (int) floor($until / 4)),
    );
}

it('is the plan where the heater is as planned, at every moment', function (float $share, int $sides): void {
    $plan = plannedSheet(['sides' => $sides]);
    $now = $share * $plan->ready_s;
    $track = heatedSheet($now, heaterAt(static fn (): float => 450.0, $now), ['sides' => $sides]);
    expect($track->planned_s)->toBe($plan->ready_s)
        ->and($track->ready_s)->toEqualWithDelta($plan->ready_s, 0.005 * $plan->ready_s)
        ->and($track->limit_s)->toEqualWithDelta($plan->limit_s, 0.005 * $plan->limit_s)
        ->and($track->as_if_s)->toEqualWithDelta($now, 0.01 * $plan->ready_s)
        ->and($track->because)->toBe('The heater is as it was planned with.');
})->with([0.0, 0.3, 0.9])->with([1, 2]);

it('takes as long as the sheet takes under the heater that is really there', function (float $heater): void {
    $window = plannedSheet();
    $alone = plannedSheet(['heater_c' => $heater]);
    $track = heatedSheet(20.0, heaterAt(static fn (): float => $heater, 20.0));
    expect($track->ready_s)->toEqualWithDelta($alone->ready_s, 0.01 * $alone->ready_s)
        ->and($track->ready_s <=> $window->ready_s)->toBe(450.0 <=> $heater);
})->with([410.0, 435.0, 480.0]);

it('is later by what a heater that came up too slowly did not give, and says how far it is under', function (): void {
    $slow = heatedSheet(24.0, heaterAt(static fn (float $t): float => 380.0 + 2.0 * $t, 24.0));
    $never = heatedSheet(24.0, heaterAt(static fn (): float => 90.0, 24.0));
    expect($slow->ready_s)->toBeGreaterThan(plannedSheet()->ready_s)
        ->and($slow->because)->toBe('The heater is 22 K under what it was planned with.')
        ->and($never->ready_s)->toBeNull()
        ->and($never->because)->toContain('too cold for this sheet')
        ->and($never->explanation)->toContain('ready it does not get by itself');
});

it('gives what two temperatures radiate between them, not their mean', function (): void {
    // 300 and 600 °C by turns: the fourth power has more of the hot one. σ(T₁⁴ + T₂⁴)/2 by hand is 493.4 °C.
    $turns = array_map(
        static fn (int $i): array => ['t_s' => 1.0 * $i, 'heater_c' => $i % 2 === 0 ? 300.0 : 600.0],
        range(0, 40),
    );
    $even = heatedSheet(40.0, heaterAt(static fn (): float => 493.4, 40.0));
    expect(heatedSheet(40.0, $turns)->mean_now_c)->toEqualWithDelta($even->mean_now_c, 0.6);
});

it('refuses readings that go back in time', function (): void {
    expect(static fn () => heatedSheet(9.0, [['t_s' => 4.0, 'heater_c' => 450.0], ['t_s' => 4.0, 'heater_c' => 450.0]]))
        ->toThrow(function (InputError $error): void {
            expect($error->field)->toBe('readings.1.t_s');
        });
});

describe('the clock of a sheet', function (): void {
    /** @return array{id: string, started_at: float, ends_at: float, minutes: float, answered_at: float|null} */
    function heatTimer(float $from, float $to): array
    {
        return ['id' => 'heat', 'started_at' => $from, 'ends_at' => $to, 'minutes' => 1.0, 'answered_at' => null];
    }

    /** @param  array<string, float>  $over */
    function sheetClock(array $readings, float $now, array $over = [], int $looks = 0): ?Tracked
    {
        $ends = 1_000_000 + ($over['heat_factor'] ?? 1.0) * plannedSheet()->ready_s + 3.0 * $looks;
        $clock = new Clock(1, 'heat', 1_000_000, $ends, SheetClock::CHANNELS, ['looks' => (float) $looks]);
        $input = $over + HEATED_SHEET + ['heat_factor' => 1.0, 'look_cost_s' => 3.0];

        return (new SheetClock(new Registry))->by($clock, ['heater_c' => $readings], $input, 1_000_000 + $now);
    }
    $read = static fn (float $c, float $until): array => array_map(
        static fn (int $i): array => [1_000_000.0 + 2 * $i, $c],
        range(0, (int) ($until / 2)),
    );

    it('is on time under the heater of the plan, with looks and its factor', function (
        float $factor,
        int $looks,
    ) use ($read): void {
        $told = sheetClock($read(450.0, 30), 30, ['heat_factor' => $factor], $looks);
        expect($told?->state)->toBe(CheckState::Ok)
            ->and($told->readyAt)->toEqualWithDelta(1_000_000 + $factor * plannedSheet()->ready_s + 3 * $looks, 1.5);
    })->with([[1.0, 0], [1.0, 2], [1.2, 1]]);

    it('is given more in steps of five seconds', function () use ($read): void {
        $state = new RunState;
        $piece = $state->pieces[1] = new Thread(1);
        $ends = 1_000_000.0 + (float) plannedSheet()->ready_s;
        $piece->timers['heat'] = heatTimer(1_000_000.0, $ends);
        [$clock] = SheetClock::running($state);
        $told = sheetClock($read(425.0, 30), 30);
        $late = plannedSheet(['heater_c' => 425.0])->ready_s - plannedSheet()->ready_s;
        expect($told?->isOnTime($clock))->toBeFalse()
            ->and(60 * (float) $told?->moreMin($clock))->toEqualWithDelta(5 * round($late / 5), 1e-6)
            ->and($late)->toBeGreaterThan(5.0)
            ->and(sheetClock($read(450.0, 30), 30)?->moreMin($clock))->toBe(0.0);
    });

    it('warns under a heater that is too cold, and of one that is not read any more', function () use ($read): void {
        expect(sheetClock($read(360.0, 30), 30)?->state)->toBe(CheckState::Warn)
            ->and(sheetClock($read(80.0, 30), 30)?->state)->toBe(CheckState::Block)
            ->and(sheetClock($read(450.0, 10), 70)?->says)->toContain('not been read for');
    });

    it('says nothing of a sheet that was forgotten under it, and goes on to the hour', function () use ($read): void {
        expect(sheetClock($read(450.0, 3500), 3500, looks: 3)?->state)->not->toBeNull()
            ->and(sheetClock($read(450.0, 3590), 3590, ['heat_factor' => 0.95], 1))->toBeNull()
            ->and(sheetClock($read(450.0, 9000), 9000))->toBeNull();
    });

    it('leaves out what an instrument says of a moment that has not come', function () use ($read): void {
        $ahead = [...$read(450.0, 30), [1_000_055.0, 20.0], [1_000_059.0, 20.0]];
        expect(sheetClock($ahead, 30)?->readyAt)->toEqualWithDelta(sheetClock($read(450.0, 30), 30)?->readyAt, 1e-6);
    });

    it('says nothing where nothing was read, or the heater is not known', function () use ($read): void {
        expect(sheetClock([], 30))->toBeNull();
        $clock = new Clock(1, 'heat', 1_000_000, 1_000_100, SheetClock::CHANNELS);
        expect((new SheetClock(new Registry))->by($clock, ['heater_c' => $read(450.0, 30)], [], 1_000_030))->toBeNull();
    });

    it('runs for a sheet that is under the heater, with the looks at it', function (): void {
        $state = new RunState;
        $piece = $state->pieces[1] = new Thread(1);
        $piece->timers['heat'] = heatTimer(100.0, 160.0);
        $look = static fn (string $key, ?int $of, float $at): array => [
            'key' => $key, 'entry' => 'look', 'at' => $at, 'by' => 'Ines', 'values' => [], 'step' => 'heat',
            'corrected' => 0, 'piece' => $of,
        ];
        foreach ([['a', 1, 110.0], ['b', 2, 120.0], ['c', 1, 90.0], ['d', 1, 130.0]] as [$key, $of, $at]) {
            $state->entries[$key] = $look($key, $of, $at);
        }
        expect(SheetClock::running($state)[0]->really)->toBe(['looks' => 2.0, 'again' => 0.0]);
        $piece->timers['heat']['answered_at'] = 161.0;
        expect(SheetClock::running($state))->toBe([]);
    });
});
