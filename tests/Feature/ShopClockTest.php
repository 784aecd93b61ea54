<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Runs\Models\Run;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Dithermic\Core\Run\RunState;
use Illuminate\Support\Carbon;
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

it('goes by the zone that is named, else by the machine\'s, and refuses one that is none', function () {
    $link = "{$this->dir}/localtime";
    expect(ShopClock::zone('', $link)->getName())->toBe('UTC');
    symlink('/usr/share/zoneinfo/Pacific/Auckland', $link);
    expect(ShopClock::zone(null, $link)->getName())->toBe('Pacific/Auckland')
        ->and(ShopClock::zone('Europe/Lisbon', $link)->getName())->toBe('Europe/Lisbon')
        ->and(static fn () => ShopClock::zone('Hollow/Oak', $link))
        ->toThrow(InvalidArgumentException::class, "SHOP_TIMEZONE 'Hollow/Oak' is no time zone");
});

it('dates what it prints, and counts what ended today, by the day of the shop', function () {
    // December by Greenwich, half past five in the afternoon of the last of November where the shop is.
    CarbonImmutable::setTestNow('2026-12-01T00:30:00Z');
    Carbon::setTestNow('2026-12-01T00:30:00Z');
    app()->instance(ShopClock::class, new ShopClock('', zone: new DateTimeZone('America/Denver')));
    $this->signedIn();
    $run = Run::query()->where('status', RunState::FINISHED)->whereNotNull('verdict')->orderBy('number')->firstOrFail();
    $made = static fn (string $at) => Run::query()->whereKey($run->id)
        ->update(['started_at' => Carbon::parse($at)->subHour(), 'ended_at' => $at]);
    $learnt = fn (): int => collect($this->getJson('/api/v1/floor')->json('stages'))
        ->firstWhere('id', 'learn')['count'];
    Run::query()->where('ended_at', '>=', '2026-11-30T00:00:00Z')->update(['ended_at' => '2026-11-29T00:00:00Z']);

    // 23:59 and 00:01 of a day that begins at seven by Greenwich.
    $made('2026-11-30T06:59:00Z');
    expect($learnt())->toBe(0);
    $made('2026-11-30T07:01:00Z');
    expect($learnt())->toBe(1);

    $made('2026-12-01T00:20:00Z');
    $label = fn (string $of): string => (string) $this->get("/api/v1/{$of}/label.svg")->assertOk()->getContent();
    expect($label("runs/{$run->id}"))->toContain('2026-11-30,')
        ->and($label('lots/'.Lot::query()->value('id')))->toContain('>2026-11-30<');
});
