<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Schedule\OneMore;
use Dithermic\Core\Schedule\PlanResult;

/** Four pieces that take an hour each on one press, with two minutes of hands. */
function hourEach(int $jobs = 4): array
{
    return [
        'now' => 0.0,
        'horizon_end' => 3000.0,
        'time_limit_s' => 0.05,
        'stations' => [
            ['id' => 'press', 'kind' => 'hot_press', 'amps' => 10.0], ['id' => 'idle', 'kind' => 'hot_press'],
        ],
        'people' => [['id' => 'Ines']],
        'jobs' => array_map(static fn (int $i): array => [
            'id' => "j{$i}",
            'tasks' => [[
                'id' => 'press',
                'stations' => [['station' => 'press', 'minutes' => 60.0]],
                'hands_start_min' => 2.0,
            ]],
        ], range(1, $jobs)),
    ];
}

it('halves the day where one station holds it up, and gives nothing where none waits', function (): void {
    $plain = calculate('schedule.plan', hourEach())['makespan_min'];

    expect($plain)->toEqualWithDelta(240.0, 1.0)
        ->and(calculate('schedule.plan', OneMore::station(hourEach(), 'press'))['makespan_min'])->toBeLessThan(126.0)
        ->and(calculate('schedule.plan', OneMore::person(hourEach()))['makespan_min'])->toEqualWithDelta($plain, 1.0)
        // Nothing is made on it: nobody is asked for another.
        ->and(calculate(
            'schedule.plan',
            OneMore::station(hourEach(), 'idle'),
        )['makespan_min'])->toEqualWithDelta($plain, 1.0)
        ->and(OneMore::station(hourEach(), 'unknown'))->toBe(hourEach());
});

it('is held by the supply with a twin too', function (): void {
    $tight = ['supply' => ['phases' => 1, 'amps' => 15.0]];

    expect(calculate('schedule.plan', OneMore::station(hourEach() + $tight, 'press'))['makespan_min'])
        ->toBeGreaterThan(230.0);
});

it('wins with hands where hands are what is waited for', function (): void {
    $hands = hourEach();
    foreach ($hands['jobs'] as $i => $job) {
        $hands['jobs'][$i]['tasks'][0]['hands_start_min'] = 60.0;
        $hands['jobs'][$i]['tasks'][0]['stations'][] = ['station' => 'idle', 'minutes' => 60.0];
    }

    expect(calculate('schedule.plan', $hands)['makespan_min'])->toBeGreaterThan(230.0)
        ->and(calculate('schedule.plan', OneMore::person($hands))['makespan_min'])->toBeLessThan(130.0);
});

it('asks days that were about their fullest stations and about hands, as long as there is time', function (): void {
    $plan = static function (array $asked): ?PlanResult {
        $found = (new Registry)->run('schedule.plan', $asked);
        assert($found instanceof PlanResult);

        return $found->impossible === [] ? $found : null;
    };
    // Four hours of one press on one day, two on another; a day with no hands cannot be planned, and is not counted.
    $days = [hourEach(4), hourEach(2), ['people' => []] + hourEach(3)];
    [$tried, $gives] = OneMore::onDays($days, $plan, static fn (): bool => true);
    [$press, $hands] = [$gives[0], $gives[1]];

    expect($tried)->toBe(2)
        ->and($gives)->toHaveCount(2)
        ->and($press->of)->toBe('press')
        ->and($press->busyPct)->toEqualWithDelta(100.0, 1.0)
        // Two hours on the one, one on the other.
        ->and($press->soonerMin)->toEqualWithDelta(89.0, 4.0)
        ->and($press->mostMin)->toEqualWithDelta(119.0, 4.0)
        ->and($press->days)->toBe(2)
        ->and($hands->of)->toBe(OneMore::HANDS)
        ->and($hands->busyPct)->toBeNull()
        ->and($hands->soonerMin)->toEqualWithDelta(0.0, 1.0)
        ->and($hands->days)->toBe(0);
    // Where the time is over, what was not tried is not counted.
    $asked = 0;
    [$tried] = OneMore::onDays($days, $plan, static function (float $share) use (&$asked): bool {
        return $share < 1 || $asked++ < 1;
    });
    expect($tried)->toBe(1)->and(OneMore::onDays($days, $plan, static fn (): bool => false)[0])->toBe(0);
});

it('says what an hour costs that is won', function (): void {
    $press = calculate('cost.one_more', [
        'sooner_min' => 30, 'days_year' => 200, 'price' => 10000, 'life_years' => 10, 'upkeep_pct' => 5,
    ]);
    // 1000 for the price and 500 for the upkeep, over 100 hours.
    expect($press['per_year'])->toEqualWithDelta(1500.0, 1e-9)
        ->and($press['per_day'])->toEqualWithDelta(7.5, 1e-9)
        ->and($press['hours_year'])->toEqualWithDelta(100.0, 1e-9)
        ->and($press['per_hour_won'])->toEqualWithDelta(15.0, 1e-9);
    $hands = calculate('cost.one_more', ['sooner_min' => 60, 'days_year' => 200, 'price_day' => 150]);
    expect($hands['per_hour_won'])->toEqualWithDelta(150.0, 1e-9);
    $none = calculate('cost.one_more', ['sooner_min' => 0, 'price' => 100]);
    expect($none['per_hour_won'])->toBeNull()->and($none['explanation'])->toContain('nothing won');
});

it('refuses what cannot be', function (array $input, string $field): void {
    expect(static fn () => calculate('cost.one_more', $input + ['sooner_min' => 10]))
        ->toThrow(static fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    'no life' => [['life_years' => 0], 'life_years'],
    'a year of 400 days' => [['days_year' => 400], 'days_year'],
    'more than a day' => [['sooner_min' => 1441], 'sooner_min'],
]);
