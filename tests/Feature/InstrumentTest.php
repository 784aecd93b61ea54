<?php

declare(strict_types=1);

use App\Instruments\Models\Alarm;
use App\Instruments\Models\Channel;
use App\Instruments\Support\Watching;
use App\People\Models\User;
use App\Shop\Models\Machine;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Testing\TestResponse;

/** @param  array<int, float|int>  $points  value by seconds from now, back in time where negative */
function readOff(string $machine, string $channel, array $points): TestResponse
{
    return test()->signedIn()->postJson('/api/v1/readings', ['readings' => array_map(
        static fn (int $s, float|int $value): array => [
            'machine' => $machine, 'channel' => $channel, 'value' => $value, 'at' => shopNow() + $s,
        ],
        array_keys($points),
        $points,
    )]);
}

function channelOf(string $machine, string $key): Channel
{
    return Channel::query()->where('machine_id', machineNamed($machine))->where('key', $key)->firstOrFail();
}

/** @param  array<string, mixed>  $limits */
function limitTo(Channel $channel, array $limits, string $login = 'maren'): TestResponse
{
    return test()->signedIn($login)->postJson(
        "/api/v1/channels/{$channel->id}/limits",
        $limits + ['after' => (int) $channel->log()->max('id'), 'watched' => 'always', 'delay_s' => 5],
    );
}

/** @return list<array<string, mixed>> alarms that want somebody on a machine */
function alarmsOn(string $machine): array
{
    $all = test()->signedIn()->getJson('/api/v1/alarms')->assertOk()->json('items');

    return array_values(array_filter($all, static fn (array $a): bool => $a['machine'] === $machine));
}

/** A bath of a cold press that is read, and is watched not to be over 30 °C. */
function watchedBath(): Channel
{
    readOff('Test bath', 'bath_c', [-1 => 21.0])->assertCreated();
    $bath = channelOf('Test bath', 'bath_c');
    limitTo($bath, ['high' => 30.0])->assertOk();

    return $bath;
}

beforeEach(function (): void {
    Machine::factory()->create(['name' => 'Test bath']);
    Machine::factory()->create(['name' => 'Test dryer', 'kind' => 'dryer']);
});

it('meets a channel with its first reading, in the unit that its name says', function (): void {
    $before = shopNow();
    readOff('Test bath', 'coolant_l_min', [-30 => 3.9, -10 => 4.25, -20 => 4.1])->assertCreated();
    $after = shopNow();
    $channels = $this->getJson('/api/v1/machines/'.machineNamed('Test bath').'/channels')->assertOk()->json('items');
    $found = array_column($channels, null, 'key')['coolant_l_min'];
    expect($found['unit'])->toBe('l/min')
        ->and($found['value'])->toBe(4.25)
        // On a busy machine the answer may come late; what was read is of then all the same.
        ->and($found['at'])->toBeGreaterThanOrEqual($before - 10.001)->toBeLessThanOrEqual($after - 9.999)
        ->and($found['watched'])->toBe('never')
        ->and($found['log'])->toBe([]);
});

it('refuses an instrument that makes up names, and keeps nothing of its batch', function (): void {
    $this->signedIn();
    $made = array_map(
        static fn (int $i): array => [
            'machine' => 'Test dryer',
            'channel' => "made_up_{$i}_c",
            'value' => 1,
            'at' => shopNow() - 9,
        ],
        range(1, 61),
    );
    $this->postJson('/api/v1/readings', ['readings' => $made])
        ->assertUnprocessable()
        ->assertJsonPath('error.field', 'readings.0.channel');
    expect(Channel::query()->where('machine_id', machineNamed('Test dryer'))->count())->toBe(0)
        ->and(DB::table('readings')->where('machine_id', machineNamed('Test dryer'))->count())->toBe(0);
    $this->postJson('/api/v1/readings', ['readings' => array_slice($made, 0, 60)])->assertCreated();
    readOff('Test dryer', 'one_more_c', [-5 => 2])->assertUnprocessable();
});

it('lets only a lead say limits, whole and on the newest', function (): void {
    $bath = watchedBath();
    limitTo($bath, ['high' => 28.0], 'ines')->assertForbidden();
    $stale = ['high' => 99.0, 'watched' => 'always', 'after' => 0];
    $this->signedIn('maren')->postJson("/api/v1/channels/{$bath->id}/limits", $stale)
        ->assertUnprocessable()->assertJsonPath('error.field', 'after');
    limitTo($bath, ['low' => 30.0, 'high' => 20.0])->assertJsonPath('error.field', 'high');
    limitTo($bath, ['watched' => 'run'])->assertJsonPath('error.field', 'watched');
    limitTo($bath, ['watched' => 'sometimes', 'high' => 3])->assertJsonPath('error.field', 'watched');
    limitTo($bath, ['high' => 32.0, 'note' => 'in summer'])->assertOk();
    $found = collect(
        $this->getJson("/api/v1/machines/{$bath->machine_id}/channels")->json('items'),
    )->firstWhere('key', 'bath_c');
    expect(array_column($found['log'], 'says'))->toBe(['always: at most 32 °C', 'always: at most 30 °C'])
        ->and($found['log'][0]['note'])->toBe('in summer')
        ->and($found['high'])->toEqual(32.0);
});

it('raises an alarm once, lets one person answer, and ends it when all is well', function (): void {
    watchedBath();
    $this->travel(60)->seconds();
    readOff('Test bath', 'bath_c', [-20 => 31.0, -16 => 31.2, -14 => 31.5, -9 => 32.0])->assertCreated();
    readOff('Test bath', 'bath_c', [-5 => 33.0, -1 => 33.0])->assertCreated();
    $alarms = alarmsOn('Test bath');
    expect($alarms)->toHaveCount(1)
        ->and($alarms[0]['says'])->toBe('31.5 °C, over 30 °C')
        ->and($alarms[0]['by'])->toBeNull();
    $answer = "/api/v1/alarms/{$alarms[0]['id']}/answer";
    $this->signedIn('ines')->postJson($answer, ['note' => 'tap opened'])->assertOk();
    $this->signedIn('jun')->postJson($answer)->assertUnprocessable()->assertJsonPath('error.field', 'alarm');
    $this->signedIn('ines')->postJson($answer)->assertOk();
    expect(alarmsOn('Test bath')[0]['by'])->toBe('Ines Halloran')->and(
        alarmsOn('Test bath')[0]['note'],
    )->toBe('tap opened');

    $this->travel(30)->seconds();
    readOff('Test bath', 'bath_c', [-20 => 29.0, -18 => 28.5])->assertCreated();
    expect(alarmsOn('Test bath'))->toHaveCount(1);
    readOff('Test bath', 'bath_c', [-10 => 28.0])->assertCreated();
    expect(alarmsOn('Test bath'))->toBe([]);
    $log = $this->getJson('/api/v1/machines/'.machineNamed('Test bath').'/alarms')->assertOk()->json('items');
    expect($log)->toHaveCount(1)->and($log[0]['ended_at'])->toEqualWithDelta(shopNow() - 10, 1);
});

it('keeps what came and went unseen until somebody has seen it', function (): void {
    watchedBath();
    $this->travel(60)->seconds();
    readOff('Test bath', 'bath_c', [-40 => 31, -30 => 31, -20 => 22, -10 => 22])->assertCreated();
    [$gone] = alarmsOn('Test bath');
    expect($gone['ended_at'])->not->toBeNull();
    $this->postJson("/api/v1/alarms/{$gone['id']}/answer")->assertOk();
    expect(alarmsOn('Test bath'))->toBe([]);
});

it('is not told twice by a batch that comes twice, or by one that comes late', function (): void {
    watchedBath();
    $this->travel(300)->seconds();
    $batch = ['id' => fake_uuid(), 'readings' => [
        ['machine' => 'Test bath', 'channel' => 'bath_c', 'value' => 31, 'at' => shopNow() - 20],
        ['machine' => 'Test bath', 'channel' => 'bath_c', 'value' => 31, 'at' => shopNow() - 10],
    ]];
    $this->postJson('/api/v1/readings', $batch)->assertCreated();
    $this->postJson('/api/v1/readings', $batch)->assertCreated();
    expect(Alarm::query()->count())->toBe(1);
    // What was kept in an instrument's memory while it had no net.
    readOff(
        'Test bath',
        'bath_c',
        [-120 => 55, -110 => 55, -100 => 20, -90 => 20],
    )->assertCreated()->assertJsonPath('stored', 4);
    expect(Alarm::query()->count())->toBe(1)->and(alarmsOn('Test bath')[0]['ended_at'])->toBeNull();
});

it('follows the plan of the run that a machine is in, and lets it heat up in peace', function (): void {
    readOff('Anvil', 'platen_top_c', [-1 => 22.0])->assertCreated();
    $platen = channelOf('Anvil', 'platen_top_c');
    limitTo(
        $platen,
        ['watched' => 'run', 'follows' => 'platen_c', 'low' => -8, 'high' => 8, 'silent_s' => 60],
    )->assertOk();
    $run = startRun();
    $set = $run->json('plan.platen_c');
    $id = $run->json('summary.id');
    $this->travel(600)->seconds();
    readOff(
        'Anvil',
        'platen_top_c',
        [-500 => 60, -300 => $set - 40, -200 => $set - 2, -100 => $set + 1],
    )->assertCreated();
    expect(alarmsOn('Anvil'))->toBe([]);
    readOff('Anvil', 'platen_top_c', [-60 => $set - 9, -50 => $set - 9.5, -5 => $set - 10])->assertCreated();
    $alarms = alarmsOn('Anvil');
    expect($alarms)->toHaveCount(1)->and($alarms[0]['kind'])->toBe('low')->and($alarms[0]['run_id'])->toBe($id);

    $this->travel(70)->seconds();
    app(Watching::class)->look();
    expect(array_column(alarmsOn('Anvil'), 'kind'))->toEqualCanonicalizing(['low', 'silent']);
    app(Watching::class)->look();
    expect(alarmsOn('Anvil'))->toHaveCount(2);

    // The run is stopped: nobody has to look at a cold press.
    $by = ['by_id' => person('ines')->id];
    $this->signedIn()->postJson(
        "/api/v1/runs/{$id}/events",
        ['events' => [entry('aborted', ['reason' => 'a test']) + $by]],
    )
        ->assertJsonCount(1, 'stored');
    app(Watching::class)->look();
    $told = $this->getJson("/api/v1/runs/{$id}/alarms")->assertOk()->json('items');
    expect(array_column($told, 'kind'))->toBe(['low', 'silent'])
        ->and(array_filter(array_column($told, 'ended_at')))->toHaveCount(2);
    // And the record that leaves the shop says so.
    $record = $this->getJson("/api/v1/runs/{$id}.json")->assertOk()->json('alarms');
    expect(array_column($record, 'machine'))->toBe(['Anvil', 'Anvil'])
        ->and($record[0]['says'])->toStartWith((string) round($set - 9.5, 0));
});

it('adds what a channel was found to be off from then on, and leaves what was sent', function (): void {
    // The demo's own was held beside boiling water too, and said 100.6.
    $this->travel(900)->seconds();
    readOff('Anvil', 'platen_low_c', [-400 => 180.0])->assertCreated();
    $probe = channelOf('Anvil', 'platen_low_c');
    $path = "/api/v1/channels/{$probe->id}/calibrations";
    $after = (int) $probe->log()->max('id');
    $this->signedIn('ines')->postJson($path, ['after' => $after, 'true' => 100])->assertForbidden();
    $this->signedIn('maren')->postJson($path, ['after' => $after, 'true' => 100])
        ->assertUnprocessable()->assertJsonPath('error.field', 'shown');
    $run = startRun()->json('summary.id');
    $this->travel(100)->seconds();
    readOff('Anvil', 'platen_low_c', [-50 => 101.5])->assertCreated();
    $this->signedIn('maren')->postJson(
        $path,
        ['after' => $after, 'true' => 100, 'note' => 'boiling water'],
    )->assertCreated();
    $this->travel(100)->seconds();
    readOff('Anvil', 'platen_low_c', [-50 => 181.5])->assertCreated();

    $found = collect(
        $this->getJson("/api/v1/machines/{$probe->machine_id}/channels")->json('items'),
    )->firstWhere('key', 'platen_low_c');
    expect($found['offset'])->toEqualWithDelta(-1.5, 1e-9)
        ->and($found['value'])->toEqualWithDelta(180.0, 1e-9)
        ->and($found['log'][0]['says'])->toBe('101.5 where 100 is right °C');
    $trace = $this->getJson("/api/v1/runs/{$run}/readings")->assertOk()->json('platen_low_c');
    expect(array_column($trace, 1))->toEqual([100.9, 180.0]);
    expect(
        (float) DB::table('readings')->where('channel', 'platen_low_c')->orderByDesc('at')->value('value'),
    )->toBe(181.5);
});

it('reads a stretch of a run finer, down to every reading, and nothing beside it', function (): void {
    $this->signedIn();
    $run = $this->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    $this->travel(2000)->seconds();
    $points = [];
    for ($ago = 1999; $ago > 0; $ago--) {
        $points[-$ago] = 180 + $ago % 7;
    }
    readOff('Heron', 'barrel_c', $points)->assertCreated();
    $now = shopNow();
    $whole = $this->getJson("/api/v1/runs/{$run}/readings")->assertOk()->json('barrel_c');
    expect(count($whole))->toBeLessThanOrEqual(400);
    [$from, $to] = [$now - 1000.5, $now - 800.5];
    $near = $this->getJson("/api/v1/runs/{$run}/readings?from={$from}&to={$to}")->assertOk()->json('barrel_c');
    expect($near)->toHaveCount(200)
        ->and($near[0][1])->toEqual(180 + 1000 % 7)
        ->and(min(array_column($near, 0)))->toBeGreaterThanOrEqual($from)
        ->and(max(array_column($near, 0)))->toBeLessThanOrEqual($to);
    // What lies before the run began is not its own, whatever is asked.
    $before = $this->getJson("/api/v1/runs/{$run}/readings?from=1&to=2")->assertOk()->json();
    expect($before)->toBe([]);
    $this->getJson("/api/v1/runs/{$run}/readings?from=20&to=10")
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'to');
    $this->getJson("/api/v1/runs/{$run}/readings?from=20")->assertStatus(422)->assertJsonPath('error.field', 'to');
});

it('watches by what a reading means, not by what was sent', function (): void {
    $bath = watchedBath();
    $after = (int) $bath->log()->max('id');
    $this->signedIn('maren')->postJson(
        "/api/v1/channels/{$bath->id}/calibrations",
        ['after' => $after, 'true' => 24.0, 'shown' => 21.0],
    )->assertCreated();
    $this->travel(60)->seconds();
    readOff('Test bath', 'bath_c', [-30 => 28.0, -10 => 28.0])->assertCreated();
    expect(array_column(alarmsOn('Test bath'), 'says'))->toBe(['31 °C, over 30 °C']);
});

it('has a log of channels that the database itself keeps', function (string $sql): void {
    watchedBath();
    expect(static fn () => DB::statement($sql))->toThrow(Illuminate\Database\QueryException::class, 'append-only');
})->with(['update channel_log set note = \'x\'', 'delete from channel_log']);

it('lets an instrument of one machine neither see nor set what is watched', function (): void {
    $bath = watchedBath();
    $token = person('maren')->createToken('probe', ['readings', 'machine:'.$bath->machine_id])->plainTextToken;
    app('auth')->forgetGuards();
    $as = fn () => $this->flushHeaders()->withToken($token);
    $as()->getJson('/api/v1/alarms')->assertForbidden();
    $as()->postJson("/api/v1/channels/{$bath->id}/limits", ['after' => 0, 'watched' => 'never'])->assertForbidden();
});

it('says on the floor what is read now, and what was logged where nothing is', function (): void {
    $this->travel(900)->seconds();
    $run = startRun()->json('summary.id');
    $lane = fn (): array => collect(
        $this->signedIn()->getJson('/api/v1/floor')->json('lanes'),
    )->firstWhere('machine', 'Anvil');
    tell($run, [['type' => 'logged', 'data' => ['entry' => 'platen', 'values' => ['top_c' => 180, 'low_c' => 176]]]]);
    expect($lane()['measured_c'])->toEqual(176.0);
    readOff('Anvil', 'platen_top_c', [-5 => 171.0])->assertCreated();
    readOff('Anvil', 'platen_low_c', [-4 => 170.6])->assertCreated();
    // The lower of both, with what the probe is off by.
    expect($lane()['measured_c'])->toEqualWithDelta(170.0, 1e-6);
    $this->travel(300)->seconds();
    expect($lane()['measured_c'])->toEqual(176.0);
});

it('takes no number that nothing in a shop can be', function (mixed $value): void {
    $row = ['machine' => 'Test bath', 'channel' => 'bath_c', 'value' => $value, 'at' => shopNow() - 5];
    $this->signedIn()->postJson('/api/v1/readings', ['readings' => [$row]])
        ->assertUnprocessable()->assertJsonPath('error.field', 'readings.0.value');
})->with([1e308, -1e13, '1e999', 'hot', null, true, [[1]]]);

it('lets a machine that is out of use be silent', function (): void {
    $bath = watchedBath();
    limitTo($bath, ['silent_s' => 60])->assertOk();
    $this->travel(120)->seconds();
    app(Watching::class)->look();
    expect(array_column(alarmsOn('Test bath'), 'kind'))->toBe(['silent']);
    $this->signedIn('maren')->postJson("/api/v1/machines/{$bath->machine_id}/retire", ['retired' => true])->assertOk();
    app(Watching::class)->look();
    $this->travel(120)->seconds();
    app(Watching::class)->look();
    expect(Alarm::query()->whereNull('ended_at')->count())->toBe(0)->and(Alarm::query()->count())->toBe(1);
});

it('names every reading that is wrong, and takes none of the batch', function (): void {
    $at = now()->getTimestamp();
    $good = ['machine' => 'Anvil', 'channel' => 'named_rows', 'value' => 1.0, 'at' => $at];
    $answer = $this->signedIn()->postJson('/api/v1/readings', ['readings' => [
        $good,
        ['value' => 'NaN'] + $good,
        ['machine' => 'none such', 'at' => $at - 1] + $good,
        ['at' => $at - 2] + $good,
        ['at' => $at + 9_000] + $good,
    ]])->assertUnprocessable();
    expect(array_column($answer->json('error.rows'), 'field'))
        ->toBe(['readings.1.value', 'readings.2.machine', 'readings.4.at'])
        ->and($answer->json('error.field'))->toBe('readings.1.value')
        ->and($answer->json('error.message'))->toContain('3 of 5 rows are wrong')
        ->and(DB::table('readings')->where('channel', 'named_rows')->count())->toBe(0);
    $many = array_map(static fn (int $n): array => ['channel' => 'No', 'at' => $at - $n] + $good, range(0, 499));
    $this->postJson('/api/v1/readings', ['readings' => $many])
        ->assertUnprocessable()
        ->assertJsonCount(100, 'error.rows');
});

it('lets each instrument send for itself: one that sends too much turns away no other, and no screen', function (): void {
    $maren = User::query()->where('login', 'maren')->firstOrFail();
    $bath = machineNamed('Test bath');
    [$loud, $calm] = [
        $maren->instrumentToken('loud', ['readings'], $bath), $maren->instrumentToken('calm', ['readings'], $bath),
    ];
    $send = function (string $token): TestResponse {
        app('auth')->forgetGuards();

        return $this->withToken($token)->postJson('/api/v1/readings', ['readings' => [
            ['machine' => 'Test bath', 'channel' => 'bath_c', 'value' => 21.5, 'at' => shopNow()],
        ]]);
    };
    $asks = Request::create('/api/v1/readings');
    $asks->setUserResolver(fn (): User => $maren->withAccessToken($loud->accessToken));
    $limit = RateLimiter::limiter('api')($asks);
    RateLimiter::increment(md5('api'.$limit->key), 60, $limit->maxAttempts - 1);

    $send($loud->plainTextToken)->assertCreated()->assertHeader('X-RateLimit-Remaining', '0');
    $send($loud->plainTextToken)->assertStatus(429);
    $send($calm->plainTextToken)->assertCreated();
    $this->withoutToken()->signedIn('maren')->getJson('/api/v1/floor')->assertOk();
});

it('keeps what is known of many channels in one statement, and none where a batch is older', function (): void {
    $keys = array_map(static fn (int $i): string => "zone_{$i}_c", range(1, 12));
    $send = fn (int $s, float $value): TestResponse => $this->signedIn()->postJson('/api/v1/readings', ['readings' => array_map(
        static fn (string $key): array => [
            'machine' => 'Test bath', 'channel' => $key, 'value' => $value, 'at' => shopNow() + $s,
        ],
        $keys,
    )])->assertCreated();
    $updates = 0;
    DB::listen(static function (QueryExecuted $query) use (&$updates): void {
        $updates += str_starts_with($query->sql, 'update channels') ? 1 : 0;
    });
    $send(-20, 180.25);
    expect($updates)->toBe(1);
    $known = Channel::query()->where('machine_id', machineNamed('Test bath'))->whereIn('key', $keys);
    expect((clone $known)->where('last_value', 180.25)->count())->toBe(12);
    $send(-300, 150.0);
    expect($updates)->toBe(1)->and((clone $known)->where('last_value', 180.25)->count())->toBe(12);
    $send(-5, 181.5);
    expect($updates)->toBe(2)->and((clone $known)->where('last_value', 181.5)->count())->toBe(12);
});
