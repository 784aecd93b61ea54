<?php

declare(strict_types=1);

use App\Instruments\Support\Thinning;
use App\Runs\Models\Run;
use App\Runs\Queries\Trace;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** A month of long ago, with a run in it and a reading every ten seconds for half an hour. */
function longAgo(): Run
{
    $month = CarbonImmutable::parse('2019-03-01 00:00:00+00');
    DB::statement(
        "create table readings_2019_03 partition of readings for values from ('2019-03-01') to ('2019-04-01')",
    );
    $run = Run::query()
        ->whereHas('stations', static fn ($q) => $q->whereNotNull('to_at'))
        ->with('stations')
        ->firstOrFail();
    foreach ($run->stations as $i => $station) {
        DB::table('run_stations')->where('id', $station->id)->update([
            'from_at' => $month->addHours(10 * ($i + 1))->toIso8601String(),
            'to_at' => $month->addHours(10 * ($i + 1))->addMinutes(30)->toIso8601String(),
        ]);
    }
    $machine = $run->stations->firstWhere('position', 0);
    DB::statement("insert into readings (at, machine_id, channel, value)
        select t, ?, 'long_ago_c', 180 + extract(minute from t) + (extract(second from t) - 25) / 100
        from generate_series(?::timestamptz, ?::timestamptz, interval '10 s') t", [
        $machine->machine_id, $month->addHours(10)->toIso8601String(),
        $month->addHours(10)->addMinutes(29)->addSeconds(50)->toIso8601String(),
    ]);

    return $run->fresh(['stations']);
}

it('keeps readings of long ago by the minute, and draws a run of then from them', function (): void {
    $run = longAgo();
    $full = app(Trace::class)->of($run)['long_ago_c'];
    expect($full)->toHaveCount(180);
    config(['app.readings_full_months' => 24]);
    Artisan::call('shop:make-room', ['--months' => 0]);
    expect(Artisan::output())->toContain('2019-03')
        ->and(DB::selectOne("select to_regclass('readings_2019_03') as name")->name)->toBeNull()
        ->and(DB::table('reading_minutes')->where('channel', 'long_ago_c')->count())->toBe(30)
        ->and((int) DB::table('reading_minutes')->where('channel', 'long_ago_c')->sum('n'))->toBe(180);
    $thin = app(Trace::class)->of($run)['long_ago_c'];
    expect($thin)->toHaveCount(30);
    foreach ($thin as $minute => [$at, $value]) {
        // Six readings of a minute lie evenly about its middle.
        expect($value)->toEqualWithDelta(180 + $minute, 0.011)
            ->and($at)->toEqualWithDelta($full[6 * $minute][0] + 30, 1e-3);
    }
    $row = DB::table('reading_minutes')->where('channel', 'long_ago_c')->orderBy('at')->first();
    expect([$row->low, $row->mean, $row->high])->toEqualWithDelta([179.75, 180.0, 180.25], 1e-9);
});

it('thins nothing unless it is told to, and never the months that still take late readings', function (): void {
    longAgo();
    Artisan::call('shop:make-room', ['--months' => 0]);
    expect(DB::selectOne("select to_regclass('readings_2019_03') as name")->name)->not->toBeNull();
    $before = DB::table('readings')->where('at', '>', now()->subDays(90))->count();
    expect((new Thinning)->keepInFull(1))->toContain('2019-03')
        ->and(DB::table('readings')->where('at', '>', now()->subDays(90))->count())->toBe($before)->toBeGreaterThan(0);
});

it('lets nobody change what was thinned', function (): void {
    longAgo();
    (new Thinning)->keepInFull(Thinning::LEAST_MONTHS);
    expect(fn () => DB::table('reading_minutes')->update(['mean' => 1]))->toThrow(PDOException::class);
});

it('draws a run that was thinned in half from both, in order', function (): void {
    $run = longAgo();
    (new Thinning)->keepInFull(24);
    $machine = $run->stations->firstWhere('position', 0);
    // What came after the first half hour stands as it came.
    DB::table('run_stations')->where('id', $machine->id)->update(['to_at' => '2019-03-01 11:00:00+00']);
    DB::statement("insert into readings (at, machine_id, channel, value)
        select t, ?, 'long_ago_c', 150 from generate_series('2019-03-01 10:30:00+00'::timestamptz, '2019-03-01 10:30:50+00', '10 s') t", [$machine->machine_id]);
    $drawn = app(Trace::class)->of($run->fresh(['stations']))['long_ago_c'];
    $times = array_column($drawn, 0);
    $sorted = $times;
    sort($sorted);
    expect($drawn)->toHaveCount(36)->and($times)->toBe($sorted)
        ->and(array_slice(array_column($drawn, 1), 30))->toBe(array_fill(0, 6, 150.0));
});
