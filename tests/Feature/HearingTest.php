<?php

declare(strict_types=1);

use App\Runs\Models\Run;

/** @return list<array<string, mixed>> a pull in two stages as a gauge at ten readings a second posts it */
function pullAt(float $go, float $seal, float $leakKpaMin = 0.0): array
{
    $readings = [];
    for ($i = 0; $i < 260; $i++) {
        $t = $i / 10 - 2;
        $since = $t - $seal;
        $kpa = match (true) {
            $since <= 0 => 101.3,
            $since <= 3 => 82 + 19.3 * exp(-$since / 0.8),
            default => 30 + 52 * exp(-($since - 3) / 0.2) + $leakKpaMin * ($since - 3) / 60,
        };
        $readings[] = [
            'machine' => 'Bellows',
            'channel' => 'vacuum_kpa',
            'value' => round($kpa + 0.1 * sin($i * 12.9898), 3),
            'at' => $go + $t,
        ];
    }

    return $readings;
}

function pulledRun(): string
{
    $id = test()->signedIn()
        ->postJson('/api/v1/runs', jobOf('syrup feeder tray', 'former', 'Bellows', 'L-0093'))
        ->assertCreated()
        ->json('summary.id');
    walkRun($id);
    tell($id, [['type' => 'piece_begun', 'data' => ['piece' => 1]]]);
    foreach (['clamp', 'heat', 'go'] as $step) {
        tell(
            $id,
            [['type' => 'step_done', 'data' => ['step' => $step, 'piece' => 1, 'reason' => 'a test does not wait']]],
        );
    }

    return $id;
}

function goneAt(string $run): float
{
    return Run::query()->with(['events.by'])->findOrFail($run)->state()->pieces[1]->done['go']['at'];
}

it('offers by one touch only what one touch says: a pump, and no look that has to say what was seen', function (): void {
    $id = test()->signedIn()
        ->postJson('/api/v1/runs', jobOf('syrup feeder tray', 'former', 'Bellows', 'L-0093'))
        ->assertCreated()
        ->json('summary.id');
    walkRun($id);
    tell($id, [['type' => 'piece_begun', 'data' => ['piece' => 1]]]);
    tell(
        $id,
        [['type' => 'step_done', 'data' => ['step' => 'clamp', 'piece' => 1, 'reason' => 'a test does not wait']]],
    );
    [$panel] = heatingPanel();
    $hands = $this->getJson('/api/v1/floor')->assertOk()->json('hands');
    $of = static fn (string $run, string $entry): array => array_values(array_filter(
        $hands,
        static fn (array $h): bool => $h['run_id'] === $run && $h['entry'] === $entry,
    ))[0];
    expect($of($id, 'look'))->toMatchArray(['button' => null, 'piece' => 1])
        ->and($of($panel, 'pump'))->toMatchArray(['button' => 'Pumped', 'piece' => null]);
    // What one touch logs is taken as it is.
    $this->postJson("/api/v1/runs/{$panel}/events", ['events' => [
        entry('logged', ['entry' => 'pump', 'values' => []]),
    ]])->assertOk()->assertJsonPath('refused', []);
});

it('hears a pull off the gauge, without a touch', function (): void {
    $id = pulledRun();
    expect($this->getJson("/api/v1/runs/{$id}/heard")->assertOk()->json('items'))->toBe([]);
    $this->travel(60)->seconds();
    $this->postJson('/api/v1/readings', ['readings' => pullAt(goneAt($id), 1.4)])->assertCreated();
    [$heard] = $this->getJson("/api/v1/runs/{$id}/heard")->assertOk()->json('items');
    expect($heard['piece'])->toBe(1)
        ->and($heard['state'])->toBe('ok')
        ->and(array_column($heard['marks'], 'what'))->toBe(['sealed', 'tank'])
        // Two seconds of air come before the go.
        ->and($heard['marks'][0]['at_s'])->toEqualWithDelta(3.4, 0.15)
        ->and($heard['marks'][1]['at_s'])->toEqualWithDelta(6.4, 0.2)
        ->and(count($heard['points']))->toBeLessThanOrEqual(320);
});

it('names a pull that leaks, and one that never sealed', function (
    float $seal,
    float $leak,
    string $state,
    string $says,
): void {
    $id = pulledRun();
    $this->travel(60)->seconds();
    $this->postJson('/api/v1/readings', ['readings' => pullAt(goneAt($id), $seal, $leak)])->assertCreated();
    [$heard] = $this->getJson("/api/v1/runs/{$id}/heard")->assertOk()->json('items');
    expect($heard['state'])->toBe($state)->and($heard['says'])->toContain($says);
})->with([
    'leaks' => [1.0, 24.0, 'warn', 'leak'],
    'no seal' => [99.0, 0.0, 'block', 'never closed'],
]);

it('puts the clock of a sheet right by its heater, and by the looks that were taken', function (): void {
    $id = test()->signedIn()
        ->postJson('/api/v1/runs', jobOf('syrup feeder tray', 'former', 'Bellows', 'L-0093'))
        ->assertCreated()
        ->json('summary.id');
    walkRun($id);
    tell($id, [['type' => 'piece_begun', 'data' => ['piece' => 1]]]);
    tell($id, [['type' => 'step_done', 'data' => ['step' => 'clamp', 'piece' => 1]]]);
    $heat = fn (): array => array_column(
        $this->getJson("/api/v1/runs/{$id}")->json('pieces.0.timers'),
        null,
        'id',
    )['heat'];
    $began = $heat();
    $this->travel(20)->seconds();
    tell($id, [['type' => 'logged', 'data' => ['entry' => 'look', 'values' => ['cue' => 'wrinkles'], 'piece' => 1]]]);
    expect($heat()['ends_at'] - $began['ends_at'])->toEqualWithDelta(3.0, 0.01);
    expect($this->getJson("/api/v1/runs/{$id}/tracked")->assertOk()->json('items'))->toBe([]);
    $this->postJson('/api/v1/readings', ['readings' => array_map(static fn (int $i): array => [
        'machine' => 'Bellows', 'channel' => 'heater_c', 'value' => 350.0, 'at' => $began['started_at'] + 2 * $i,
    ], range(0, 10))])->assertCreated();
    [$told] = $this->getJson("/api/v1/runs/{$id}/tracked")->assertOk()->json('items');
    expect($told)->toMatchArray(['piece' => 1, 'timer' => 'heat', 'of_what' => 'Sheet', 'state' => 'warn'])
        ->and($told['ready_at'])->toBeGreaterThan($heat()['ends_at'] + 5)
        ->and($told['says'])->toContain('40 K under what it was planned with')
        ->and(fmod(60 * $told['more_min'], 5))->toEqualWithDelta(0, 1e-6);
    // Forgotten under it over night nobody is told anything, and nothing breaks.
    $this->travel(14)->hours();
    expect($this->getJson("/api/v1/runs/{$id}/tracked")->assertOk()->json('items'))->toBe([]);
});

it('hears nothing where nothing is told, of any process', function (): void {
    $run = Run::query()->whereHas('product', static fn ($q) => $q->where('process', 'injection'))->firstOrFail();
    $this->signedIn()->getJson(
        "/api/v1/runs/{$run->id}/heard",
    )->assertOk()->assertExactJson(['items' => [], 'next' => null]);
    $this->getJson('/api/v1/runs/'.fake_uuid().'/heard')->assertNotFound();
});

it('counts a run of several pieces as good when all of them are', function (): void {
    $this->signedIn();
    foreach (['good', 'scrap'] as $verdict) {
        foreach ($this->getJson("/api/v1/runs?process=injection&verdict={$verdict}")->assertOk()->json('items') as $run) {
            expect($verdict === 'good' ? $run['bad'] : 0)->toBe(0)
                ->and($verdict === 'scrap' ? $run['bad'] : 1)->toBeGreaterThan(0);
        }
    }
    expect($this->getJson('/api/v1/runs?process=extrusion&verdict=good')->json('items'))->not->toBe([]);
});

/** @param  callable(float): float  $off  K under the set-point, by seconds since the sheet went in */
function platensOf(string $run, float $set, float $from, float $to, callable $off): void
{
    $readings = [];
    for ($t = -40.0; $t <= $to - $from; $t += 10) {
        foreach (['platen_top_c', 'platen_low_c'] as $channel) {
            $readings[] = ['machine' => 'Anvil', 'channel' => $channel, 'value' => $set - $off($t), 'at' => $from + $t];
        }
    }
    test()->postJson('/api/v1/readings', ['readings' => $readings])->assertCreated();
}

/** A panel whose heating began now. @return array{string, float, float} its id, when it went in, and its set-point */
function heatingPanel(): array
{
    $run = startRun();
    $id = $run->json('summary.id');
    tell($id, array_map(
        static fn (string $step): array => [
            'type' => 'step_done',
            'data' => ['step' => $step, 'reason' => 'a test does not wait'],
        ],
        ['preheat'],
    ));
    tell($id, [
        ...array_map(
            static fn (string $item): array => ['type' => 'confirmed', 'data' => ['step' => 'plates', 'item' => $item]],
            ['wiped', 'smooth', 'release'],
        ),
        ['type' => 'step_done', 'data' => ['step' => 'plates']],
        ['type' => 'logged', 'data' => ['entry' => 'weigh', 'values' => ['mass_g' => 2170]]],
        ['type' => 'step_done', 'data' => ['step' => 'weigh', 'reason' => 'a test does not weigh']],
        ...array_map(
            static fn (string $item): array => ['type' => 'confirmed', 'data' => ['step' => 'spread', 'item' => $item]],
            ['corners', 'even'],
        ),
        ['type' => 'step_done', 'data' => ['step' => 'spread']],
        ['type' => 'step_done', 'data' => ['step' => 'slide_in']],
    ]);
    $timer = test()->getJson("/api/v1/runs/{$id}")->json('timers.0');

    return [$id, $timer['started_at'], (float) $run->json('plan.platen_c')];
}

it('follows the heat by the platens as they were read, and says why the clock moved', function (): void {
    [$id, $in, $set] = heatingPanel();
    expect($this->getJson("/api/v1/runs/{$id}/tracked")->assertOk()->json('items'))->toBe([]);
    $this->travel(480)->seconds();
    platensOf($id, $set, $in, $in + 470, static fn (float $t): float => 14 * exp(-$t / 200) + ($t > 60 ? 16 : 0));
    [$late] = $this->getJson("/api/v1/runs/{$id}/tracked")->assertOk()->json('items');
    $ends = $this->getJson("/api/v1/runs/{$id}")->json('timers.0.ends_at');
    expect($late['timer'])->toBe('heat')
        ->and($late['state'])->toBe('warn')
        ->and($late['ready_at'])->toBeGreaterThan($ends + 30)
        ->and($late['more_min'])->toEqual(round(($late['ready_at'] - $ends) / 60))
        ->and($late['says'])->toContain('min late')
        ->and($late['as_if_s'])->toBeLessThan(480);
    // Taken over, the clock is what was measured.
    tell(
        $id,
        [
            [
                'type' => 'extended',
                'data' => ['timer' => 'heat', 'minutes' => $late['more_min'], 'reason' => $late['says']],
            ],
        ],
    );
    expect($this->getJson("/api/v1/runs/{$id}/tracked")->json('items.0.more_min'))->toEqual(0);
    // Out of the heat nothing is followed any more.
    tell($id, [['type' => 'step_done', 'data' => ['step' => 'heat', 'reason' => 'a test does not wait']]]);
    expect($this->getJson("/api/v1/runs/{$id}/tracked")->json('items'))->toBe([]);
});
