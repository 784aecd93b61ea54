<?php

declare(strict_types=1);

use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** @param  list<array<string, mixed>>  $events */
function tellRun(string $run, array $events): Illuminate\Testing\TestResponse
{
    return test()->postJson(
        "/api/v1/runs/{$run}/events",
        ['events' => array_map(static fn (array $e): array => $e + ['by_id' => person(TestCase::$who)->id], $events)],
    )->assertOk();
}

/** Brings a run to a step, quickly. @return list<array<string, mixed>> */
function upTo(string $last, float $at, float $charge): array
{
    $all = [
        entry('logged', ['entry' => 'platen', 'values' => ['top_c' => 190, 'low_c' => 190]], at: $at),
        entry('step_done', ['step' => 'preheat'], at: $at + 1),
        ...array_map(
            static fn (string $i): array => entry('confirmed', ['step' => 'plates', 'item' => $i], at: $at + 2),
            ['wiped', 'smooth', 'release'],
        ),
        entry('step_done', ['step' => 'plates'], at: $at + 3),
        entry('logged', ['entry' => 'weigh', 'values' => ['mass_g' => $charge]], at: $at + 4),
        entry('step_done', ['step' => 'weigh'], at: $at + 5),
        ...array_map(
            static fn (string $i): array => entry('confirmed', ['step' => 'spread', 'item' => $i], at: $at + 6),
            ['corners', 'even'],
        ),
        entry('step_done', ['step' => 'spread'], at: $at + 7), entry('step_done', ['step' => 'slide_in'], at: $at + 8),
        entry('step_done', ['step' => 'heat', 'reason' => 'a test'], at: $at + 9),
        entry('step_done', ['step' => 'transfer', 'reason' => 'a test'], at: $at + 10),
    ];
    $upTo = array_search(
        $last,
        array_map(static fn (array $e): string => $e['type'] === 'step_done' ? $e['data']['step'] : '', $all),
        true,
    );

    return array_slice($all, 0, (int) $upTo + 1);
}

function stationsOf(string $run): array
{
    return RunStation::query()->where('run_id', $run)->whereNotNull('from_at')->get()->keyBy('role')->all();
}

it('holds the hot press from the start until the sheet has moved on, and the cold one from then', function () {
    $at = shopNow() - 30;
    $run = startRun()->json('summary');
    $charge = (float) Run::query()->find($run['id'])->plan['charge_mass_g'];
    expect(array_keys(stationsOf($run['id'])))->toBe(['hot'])->and(stationsOf($run['id'])['hot']->to_at)->toBeNull();
    $told = upTo('transfer', shopNow() - 1, $charge);
    tellRun(
        $run['id'],
        array_map(static fn (array $e): array => ['at' => shopNow()] + $e, $told),
    )->assertJsonCount(0, 'refused');
    $stations = stationsOf($run['id']);
    expect($stations['hot']->to_at)->not->toBeNull()
        ->and($stations['cold']->from_at->format('U.v'))
        ->toBe($stations['hot']->to_at->format('U.v'))
        ->and($stations['cold']->to_at)
        ->toBeNull();
    // The next sheet may begin: the hot press is free.
    startRun(['machines' => ['cold' => machineNamed('Little Pond')]]);
    tellRun($run['id'], [entry('aborted', ['reason' => 'a test'])]);
    expect(stationsOf($run['id'])['cold']->to_at)->not->toBeNull()->and($at)->toBeLessThan(shopNow());
});

it('gives a reading to the run that held the machine then, late and from the cold press too', function () {
    $run = startRun()->json('summary');
    $charge = (float) Run::query()->find($run['id'])->plan['charge_mass_g'];
    $began = (float) Run::query()->find($run['id'])->started_at->format('U.v');
    usleep(300_000);
    tellRun(
        $run['id'],
        array_map(static fn (array $e): array => ['at' => shopNow()] + $e, upTo('transfer', 0, $charge)),
    )->assertJsonCount(0, 'refused');
    $moved = (float) stationsOf($run['id'])['cold']->from_at->format('U.v');
    usleep(200_000);
    $next = startRun(['machines' => ['cold' => machineNamed('Little Pond')]])->json('summary');
    $second = (float) Run::query()->find($next['id'])->started_at->format('U.v');
    usleep(100_000);
    $reading = static fn (string $machine, float $at, float $value): array => [
        'machine' => $machine,
        'channel' => 'probe_c',
        'at' => $at,
        'value' => $value,
    ];
    $this->signedIn()->postJson('/api/v1/readings', ['readings' => [
        $reading('Anvil', ($began + $moved) / 2, 181),
        $reading('Anvil', $began - 60, 99),
        $reading('Anvil', $second + 0.05, 184),
        $reading('Pond', $moved + 0.05, 31),
        $reading('Pond', $began - 1, 19),
    ]])->assertCreated();
    $first = $this->getJson("/api/v1/runs/{$run['id']}/readings")->assertOk()->json();
    expect(array_map(
        static fn (array $points): array => array_column($points, 1),
        $first,
    ))->toEqual(['probe_c' => [181.0], 'cold_probe_c' => [31.0]]);
    expect(array_column($this->getJson("/api/v1/runs/{$next['id']}/readings")->json('probe_c'), 1))->toEqual([184.0]);
});

it('lets no two runs hold one machine at the same time, in the database itself', function () {
    $run = startRun()->json('summary');
    $other = ['id' => Run::query()->where('status', 'finished')->value('id')];
    DB::beginTransaction();
    expect(
        static fn () => DB::table('run_stations')->insert([
            'run_id' => $other['id'],
            'role' => 'x',
            'machine_id' => machineNamed('Anvil'),
            'from_at' => now(),
        ]),
    )->toThrow(QueryException::class);
    DB::rollBack();
    DB::beginTransaction();
    expect(
        static fn () => DB::table('run_stations')->where('run_id', $run['id'])->update(['to_at' => now()->subYear()]),
    )->toThrow(QueryException::class);
    DB::rollBack();
});

it('keeps the later of two claims and lets both runs say so', function () {
    $run = startRun()->json('summary');
    $charge = (float) Run::query()->find($run['id'])->plan['charge_mass_g'];
    tellRun(
        $run['id'],
        array_map(static fn (array $e): array => ['at' => shopNow()] + $e, upTo('transfer', 0, $charge)),
    );
    $next = startRun()->json('summary');
    $events = array_map(static fn (array $e): array => ['at' => shopNow()] + $e, upTo('transfer', 0, $charge));
    // Pond still holds the first sheet: with a reason the second goes in beside it.
    $events[array_key_last($events)]['data']['reason'] = 'nowhere else to go';
    tellRun($next['id'], $events)->assertJsonCount(0, 'refused');
    expect(stationsOf($next['id'])['cold']->contested)->toBeTrue();
    $this->getJson("/api/v1/runs/{$next['id']}")->assertJsonPath(
        'contested.0',
        "Pond was claimed by run {$run['number']} for the same time",
    );
    $this->getJson("/api/v1/runs/{$run['id']}")->assertJsonPath(
        'contested.0',
        "Pond was claimed by run {$next['number']} for the same time",
    );
});

it('brings what runs held before there were stations in as it was', function () {
    $demo = Run::query()->where('status', 'finished')->with('events')->orderBy('number')
        ->whereHas('product', static fn ($q) => $q->where('process', 'compression'))
        ->firstOrFail();
    $moved = $demo->events->firstWhere(
        fn ($e) => ($e->data['step'] ?? '') === 'transfer' && $e->type->value === 'step_done',
    );
    $stations = stationsOf($demo->id);
    expect($stations['hot']->machine_id)->toBe($demo->stations[0]->machine_id)
        ->and($stations['hot']->to_at->format('U.v'))
        ->toBe($moved->at->format('U.v'))
        ->and($stations['cold']->machine_id)
        ->toBe($demo->stations[1]->machine_id)
        ->and(Machine::query()->count())
        ->toBeGreaterThan(3);
});
