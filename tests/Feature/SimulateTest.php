<?php

declare(strict_types=1);

use App\Instruments\Support\SimulatedShop;
use App\Runs\Actions\PlanRun;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Fault;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\Http;

/** @param  array<string, list<array{Fault, float}>>  $faults */
function simulated(array $faults = []): SimulatedShop
{
    return new SimulatedShop(
        app(PlanRun::class),
        app(Processes::class),
        app(PolymerLibrary::class),
        ['Anvil' => ['platen_top_c', 'platen_low_c'], 'Pond' => ['platen_c'], 'Bellows' => ['vacuum_kpa']],
        $faults,
    );
}

/**
 * @param  array<string, list<array{machine: string, channel: string, value: float, at: float}>>  $read
 * @return list<float>
 */
function valuesOf(array $read, string $machine, string $channel): array
{
    return array_column(
        array_filter($read[$machine] ?? [], static fn (array $r): bool => $r['channel'] === $channel),
        'value',
    );
}

it('reads a press that people work as its plant has it: it heats up, and a cold stack pulls it down', function (): void {
    [$id, , $set] = heatingPanel();
    $shop = simulated();
    $this->travel(60)->seconds();
    $pulled = valuesOf($shop->read(5), 'Anvil', 'platen_top_c');
    $this->travel(600)->seconds();
    $back = valuesOf($shop->read(5), 'Anvil', 'platen_top_c');
    expect($pulled[0])->toBeLessThan($set - 3)
        ->and(end($back))->toBeGreaterThan($pulled[0])
        ->and(end($back))->toEqualWithDelta($set, 8);
    tell($id, [['type' => 'step_done', 'data' => ['step' => 'heat', 'reason' => 'a test does not wait']]]);
    tell($id, [
        ['type' => 'step_done', 'data' => ['step' => 'transfer']],
        ['type' => 'step_done', 'data' => ['step' => 'pressure_on']],
    ]);
    $this->travel(90)->seconds();
    expect(valuesOf($shop->read(5), 'Pond', 'platen_c'))->not->toBe([]);
});

it('lets a machine that is in no run fall towards the room, once a minute', function (): void {
    readOff('Pond', 'platen_c', [-1 => 60.0])->assertCreated();
    $shop = simulated();
    $this->travel(1800)->seconds();
    $first = valuesOf($shop->read(5), 'Pond', 'platen_c');
    expect($first[0])->toEqualWithDelta(20 + 40 * exp(-1), 0.5)
        ->and(valuesOf($shop->read(5), 'Pond', 'platen_c'))->toBe([]);
});

it('reads only what it was told to stand in for', function (): void {
    readOff('Pond', 'bath_c', [-1 => 31.0])->assertCreated();
    $this->travel(120)->seconds();
    $read = simulated()->read(5);
    expect(valuesOf($read, 'Pond', 'bath_c'))->toBe([])->and($read)->not->toHaveKey('Heron');
});

it('has its heaters sag where that is asked, so that the clock moves', function (): void {
    [$id] = heatingPanel();
    $shop = simulated(['Anvil' => [[Fault::Sag, shopNow()]]]);
    for ($i = 0; $i < 50; $i++) {
        $this->travel(10)->seconds();
        foreach ($shop->read(10) as $rows) {
            $this->postJson('/api/v1/readings', ['readings' => $rows])->assertCreated();
        }
    }
    $tracked = $this->getJson("/api/v1/runs/{$id}/tracked")->assertOk()->json('items.0');
    expect($tracked['says'])->toContain('min late')->and($tracked['more_min'])->toBeGreaterThanOrEqual(1);
});

it('posts with a token for each machine, and stops for one whose token is taken away', function (): void {
    $file = storage_path('framework/simulated.json');
    @unlink($file);
    $asked = [];
    Http::fake(static function ($request) use (&$asked) {
        $asked[] = $request['readings'][0]['machine'];

        return Http::response([], $request['readings'][0]['machine'] === 'Pond' ? 401 : 201);
    });
    $this->travel(120)->seconds();
    $this->artisan('shop:simulate', ['url' => 'http://shop.test', '--every' => 1, '--for' => 1])
        ->expectsOutputToContain('The instruments of Pond are switched off')
        ->assertSuccessful();
    $kept = json_decode((string) file_get_contents($file), true);
    expect($kept['Pond']['token'])->toBeNull()
        ->and($kept['Anvil']['token'])->not->toBeNull()
        ->and(fileperms($file) & 0777)->toBe(0600)
        ->and($asked)->toContain('Pond', 'Anvil');
    $asked = [];
    $this->travel(120)->seconds();
    $this->artisan('shop:simulate', ['url' => 'http://shop.test', '--every' => 1, '--for' => 1])->assertSuccessful();
    expect($asked)->not->toContain('Pond')->toContain('Anvil');
    unlink($file);
});

it('says what it does not know', function (string $fault, string $says): void {
    $this->artisan('shop:simulate', ['url' => 'http://shop.test', '--for' => 1, '--fault' => [$fault]])
        ->expectsOutputToContain($says)
        ->assertExitCode(2);
})->with([
    ['heater_dead:Nobody', 'names no machine'],
    ['heater_dead', 'names no machine'],
    ['fire:Anvil', '"fire" is none'],
]);
