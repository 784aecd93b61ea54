<?php

declare(strict_types=1);

use App\Runs\Models\Run;
use App\Shop\Models\Product;
use Illuminate\Support\Facades\DB;

it('shows the floor: stages, lanes with a past and a coming, and what needs hands next', function (): void {
    $floor = $this->signedIn()->getJson('/api/v1/floor')->assertOk()->json();
    expect(array_column($floor['stages'], 'id'))->toBe(['sort', 'weigh', 'set', 'run', 'check', 'learn'])
        ->and($floor['hands'][0]['timer'])
        ->toBe('cool')
        ->and($floor['hands'][0]['machine'])
        ->toBe('Little Pond');
    $lane = array_values(array_filter(
        $floor['lanes'],
        static fn (array $l): bool => $l['machine'] === 'Little Pond',
    ))[0];
    expect(array_column($lane['stretches'], 'phase'))->toContain('past', 'coming')
        ->and($lane['run_id'])
        ->toBe($floor['hands'][0]['run_id']);
});

it('shows a lot whose ledger adds up line by line', function (): void {
    $detail = $this->signedIn()->getJson('/api/v1/lots/'.lot('L-0101')->id)->assertOk()->json();
    $lines = $detail['movements'];
    expect($lines[0]['balance_g'])->toEqual($detail['lot']['mass_g']);
    for ($i = 1; $i < count($lines); $i++) {
        expect($lines[$i]['balance_g'])->toEqualWithDelta($lines[$i - 1]['balance_g'] - $lines[$i - 1]['mass_g'], 1e-6);
    }
    expect(end($lines)['kind'])->toBe('delivered')->and(end($lines)['balance_g'])->toEqual(end($lines)['mass_g']);
    $this->getJson('/api/v1/lots/999999')->assertStatus(404);
});

it('keeps a recipe as the next version, by a lead, and never over one not seen', function (): void {
    $id = Product::query()->where('name', 'hive floor panel')->value('id');
    $body = [
        'machine_id' => machineNamed('Anvil'),
        'after_version' => 1,
        'settings' => ['platen_c' => 188, 'heat_rule' => 'physics'],
    ];
    $this->signedIn('ines')->postJson("/api/v1/products/{$id}/recipes", $body)->assertStatus(403);
    $this->signedIn('maren')
        ->postJson("/api/v1/products/{$id}/recipes", $body)
        ->assertCreated()
        ->assertJsonPath('version', 2);
    $this->postJson("/api/v1/products/{$id}/recipes", $body)
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'after_version');
    $this->postJson('/api/v1/plans', panel())->assertOk()->assertJsonPath('settings.platen_c', 188);
});

it('takes readings by a scoped token, all or none', function (): void {
    $anvil = DB::table('machines')->where('name', 'Anvil')->value('id');
    $asked = ['name' => 'logger', 'scopes' => ['readings'], 'machine_id' => $anvil];
    $this->signedIn('ines')->postJson('/api/v1/tokens', $asked)->assertStatus(403);
    $token = $this->signedIn('maren')->postJson('/api/v1/tokens', $asked)->assertCreated()->json('token');
    app('auth')->forgetGuards();
    $this->flushHeaders()->withToken($token);
    $before = DB::table('readings')->count();
    $this->postJson(
        '/api/v1/readings',
        [
            'readings' => [
                ['machine' => 'Anvil', 'channel' => 'platen_top_c', 'value' => 184.2],
                ['machine' => 'Anvil', 'channel' => 'platen_low_c', 'value' => 181, 'at' => shopNow() - 5],
            ],
        ],
    )->assertCreated()->assertJsonPath('stored', 2);
    $this->postJson(
        '/api/v1/readings',
        [
            'readings' => [
                ['machine' => 'Anvil', 'channel' => 'platen_top_c', 'value' => 1],
                ['machine' => 'Ghost', 'channel' => 'platen_top_c', 'value' => 1],
            ],
        ],
    )->assertStatus(422)->assertJsonPath('error.field', 'readings.1.machine');
    $this->postJson(
        '/api/v1/readings',
        ['readings' => [['machine' => 'Anvil', 'channel' => 'DROP TABLE', 'value' => 1]]],
    )->assertStatus(422);
    expect(DB::table('readings')->count())->toBe($before + 2);
    $this->getJson('/api/v1/floor')->assertStatus(403);
    $this->postJson('/api/v1/calc/charge.sheet', [])->assertStatus(403);
});

it('thins a run\'s readings for the chart', function (): void {
    $run = Run::query()->where('status', 'finished')
        ->whereHas('product', static fn ($q) => $q->where('process', 'compression'))
        ->orderBy('number')
        ->value('id');
    $channels = $this->signedIn()->getJson("/api/v1/runs/{$run}/readings")->assertOk()->json();
    expect($channels)->toHaveKeys(['platen_top_c', 'platen_low_c'])
        ->and(count($channels['platen_top_c']))
        ->toBeLessThanOrEqual(400)
        ->and($channels['platen_top_c'][0][1])
        ->toBeGreaterThan(60);
});

it('has a past with good and bad in it, all from the core\'s simulation', function (): void {
    $runs = $this->signedIn()->getJson('/api/v1/runs?process=compression')->json('items');
    $verdicts = array_count_values(array_filter(array_column($runs, 'verdict')));
    expect(count($runs))->toBeGreaterThanOrEqual(40)
        ->and($verdicts['good'])
        ->toBeGreaterThan(25)
        ->and($verdicts['scrap'])
        ->toBeGreaterThan(2)
        ->and(count(array_unique(array_map(
            static fn (array $run): ?float => array_column($run['figures'], 'value', 'id')['range_mm'],
            $runs,
        ))))->toBeGreaterThan(20);
    foreach (['injection', 'extrusion', 'vacuum_forming'] as $process) {
        $of = $this->getJson("/api/v1/runs?process={$process}")->json('items');
        expect(count($of))->toBeGreaterThan(20, $process)
            ->and(array_sum(array_column($of, 'good')))->toBeGreaterThan(50, $process)
            ->and(array_sum(array_column($of, 'bad')))->toBeGreaterThan(2, $process);
    }
    expect(Run::query()->count())->toBeGreaterThan(140);
});

it('puts what a screen shows as saved on the disk before it says so', function (): void {
    $durable = static fn (string $connection): string => DB::connection($connection)->selectOne(
        'show synchronous_commit',
    )->synchronous_commit;
    expect($durable('pgsql_soft'))->toBe('off')->and($durable('pgsql'))->toBe('on');
    // Their addresses differ, so that a persistent connection of one is never handed to the other.
    expect(config('database.connections.pgsql.application_name'))->not->toBe(config(
        'database.connections.pgsql_soft.application_name',
    ));
});
