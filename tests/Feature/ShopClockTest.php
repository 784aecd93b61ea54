<?php

declare(strict_types=1);

use App\Runs\Models\Run;
use App\Support\ShopClock;
use Dithermic\Core\Run\RunState;
use Illuminate\Support\Facades\Artisan;

beforeEach(function () {
    $this->dir = sys_get_temp_dir().'/clock-'.bin2hex(random_bytes(4));
    mkdir($this->dir);
    file_put_contents("{$this->dir}/uptime", '1000.00 3000.00');
    file_put_contents("{$this->dir}/boot", 'first');
    $this->clock = new ShopClock("{$this->dir}/clock.json", "{$this->dir}/uptime", "{$this->dir}/boot");
});

afterEach(function () {
    array_map(unlink(...), glob("{$this->dir}/*") ?: []);
    rmdir($this->dir);
});

it('runs on with the machine, not with the wall clock', function (float $set) {
    $began = $this->clock->now();
    expect($began)->toEqualWithDelta(microtime(true), 1.0);
    // The wall clock is set: what was kept of it then is off by that much now.
    $kept = json_decode((string) file_get_contents("{$this->dir}/clock.json"), true);
    file_put_contents("{$this->dir}/clock.json", json_encode(['wall' => $kept['wall'] + $set] + $kept));
    file_put_contents("{$this->dir}/uptime", '1060.00 3060.00');
    expect($this->clock->now())->toEqualWithDelta($began + $set + 60, 0.05);
    // A restart with nothing under way takes the wall clock over again.
    $this->clock->settle();
    expect($this->clock->now())->toEqualWithDelta(microtime(true), 1.0);
})->with([3600.0, -3600.0, 86400.0, 0.0]);

it('stands while it is held, for half a minute at most, and goes on from where it is let go', function () {
    $up = fn (float $seconds) => file_put_contents("{$this->dir}/uptime", sprintf('%.2f 1.00', 1000 + $seconds));
    $this->clock->hold(5_000_000.0);
    $up(20);
    expect($this->clock->now())->toBe(5_000_000.0);
    $this->clock->hold(5_000_600.0);
    $up(45);
    expect($this->clock->now())->toBe(5_000_600.0);
    // Whoever held it was killed: no screen waits for ever.
    $up(80);
    expect($this->clock->now())->toEqualWithDelta(5_000_630.0, 0.01);
    $this->clock->goOn(5_000_700.0);
    $up(90);
    expect($this->clock->now())->toEqualWithDelta(5_000_710.0, 0.01);
});

it('begins anew when the machine came up again', function () {
    $this->clock->now();
    file_put_contents("{$this->dir}/boot", 'second');
    file_put_contents("{$this->dir}/uptime", '5.00 5.00');
    expect($this->clock->now())->toEqualWithDelta(microtime(true), 1.0);
});

it('takes the wall clock where there is nothing else', function () {
    expect(
        (new ShopClock("{$this->dir}/none/clock.json", "{$this->dir}/nothing", "{$this->dir}/nothing"))->now(),
    )->toEqualWithDelta(microtime(true), 1.0);
    file_put_contents("{$this->dir}/clock.json", 'half of a fi');
    expect($this->clock->now())->toEqualWithDelta(microtime(true), 1.0);
});

it('takes an entry by the time of the shop when the clock of the server was set back', function () {
    $this->signedIn();
    $run = startRun()->json('summary');
    // An hour back: the wall clock now says less than what the shop counts.
    app()->instance(
        ShopClock::class,
        new ShopClock("{$this->dir}/clock.json", "{$this->dir}/uptime", "{$this->dir}/boot"),
    );
    app(ShopClock::class)->now();
    $kept = json_decode((string) file_get_contents("{$this->dir}/clock.json"), true);
    file_put_contents("{$this->dir}/clock.json", json_encode(['wall' => $kept['wall'] + 3600] + $kept));
    $event = entry('noted', ['text' => 'the clock was set'], at: microtime(true) + 3590);
    $this->postJson(
        "/api/v1/runs/{$run['id']}/events",
        ['events' => [['by_id' => person(Tests\TestCase::$who)->id] + $event]],
    )->assertOk()->assertJsonCount(0, 'refused');
});

it('follows the wall clock again as soon as no run is under way, and not before', function () {
    $clock = new ShopClock("{$this->dir}/clock.json", "{$this->dir}/uptime", "{$this->dir}/boot");
    app()->instance(ShopClock::class, $clock);
    $clock->now();
    $kept = json_decode((string) file_get_contents("{$this->dir}/clock.json"), true);
    file_put_contents("{$this->dir}/clock.json", json_encode(['wall' => microtime(true) - 45] + $kept));
    Run::query()->where('status', RunState::RUNNING)->update(['status' => RunState::ABORTED]);
    $run = startRun()->json('summary.id');
    // 45 s and what the start of the run took: the uptime of this test stands still.
    expect(Artisan::call('shop:clock'))->toBe(0)
        ->and(preg_match('/was set by \+(\d+) s/', Artisan::output(), $by))->toBe(1)
        ->and((int) $by[1])->toBeGreaterThanOrEqual(45)->toBeLessThan(45 + 60);
    expect(microtime(true) - $clock->now())->toBeGreaterThan(44.0)->toBeLessThan(45.0 + 60);
    $this->postJson("/api/v1/runs/{$run}/events", ['events' => [
        entry('aborted', ['reason' => 'a test']) + ['by_id' => person(Tests\TestCase::$who)->id],
    ]])->assertJsonCount(1, 'stored');
    $this->artisan('shop:clock')->assertSuccessful();
    expect($clock->now())->toEqualWithDelta(microtime(true), 1.0);
});
