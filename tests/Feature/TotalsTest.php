<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\Source;
use App\Material\Queries\SourceDetail;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Queries\Goods;
use Illuminate\Support\Facades\DB;

/** @return array<int, string> grams by lot, as the ledger says */
function byLedger(): array
{
    return DB::table('lot_movements')
        ->groupBy('lot_id')
        ->selectRaw('lot_id, sum(mass_g) as g')
        ->orderBy('lot_id')
        ->pluck('g', 'lot_id')
        ->all();
}

it('keeps what lots hold in step with their ledgers', function (): void {
    $kept = static fn (): array => DB::table('lot_totals')->orderBy('lot_id')->pluck('mass_g', 'lot_id')->all();
    expect($kept())->toEqual(byLedger())->not->toBe([]);
    $lots = Lot::query()->orderBy('id')->limit(3)->pluck('id')->all();
    $by = DB::table('users')->min('id');
    $row = static fn (int $lot, float $g): array => [
        'lot_id' => $lot, 'mass_g' => $g, 'kind' => 'corrected', 'reason' => 'a test', 'by_id' => $by, 'at' => now(),
    ];
    // Many rows of one statement, several of one lot, and one that is taken back with its transaction.
    DB::table('lot_movements')->insert([$row($lots[0], 12.5), $row($lots[1], -3.25), $row($lots[0], -2.125)]);
    expect($kept())->toEqual(byLedger());
    try {
        DB::transaction(static function () use ($row, $lots): void {
            DB::table('lot_movements')->insert($row($lots[2], 500.0));
            throw new RuntimeException('it is taken back');
        });
    } catch (RuntimeException) {
    }
    expect($kept())->toEqual(byLedger())
        ->and((float) Lot::query()->withHeld()->find($lots[0])->held_g)->toBe((float) byLedger()[$lots[0]]);
});

it('keeps what was made of each product in step with what came out of runs', function (): void {
    $made = static fn (): array => DB::table('run_outputs')->where('kind', 'goods')->groupBy('product_id')
        ->selectRaw('product_id, sum(count) as n')
        ->orderBy('product_id')
        ->pluck('n', 'product_id')
        ->map(intval(...))
        ->all();
    $kept = static fn (): array => DB::table('goods_totals')
        ->orderBy('product_id')
        ->pluck('made', 'product_id')
        ->map(intval(...))
        ->all();
    expect($kept())->toBe($made())->not->toBe([]);
    $run = Run::query()->whereHas('outputs', static fn ($q) => $q->where('kind', 'goods'))->firstOrFail();
    $held = (new Goods)->held($run->product);
    DB::table('run_outputs')->insert([
        [
            'run_id' => $run->id, 'kind' => 'goods', 'product_id' => $run->product_id, 'count' => 3,
            'event_key' => 'totals-1', 'at' => now(),
        ],
        [
            'run_id' => $run->id, 'kind' => 'goods', 'product_id' => $run->product_id, 'count' => -1,
            'event_key' => 'totals-2', 'at' => now(),
        ],
    ]);
    expect($kept())->toBe($made())->and((new Goods)->held($run->product))->toBe($held + 2);
});

it('says of a source that what came is what is there, what was used and what else went', function (): void {
    foreach (Source::query()->get() as $source) {
        $told = app(SourceDetail::class)->of($source);
        $sums = DB::table('lot_movements')->join('lots', 'lots.id', '=', 'lot_id')->where('source_id', $source->id)
            ->whereIn('kind', ['drawn', 'weighed', 'returned'])->sum('mass_g');
        expect($told->used_g)->toEqualWithDelta(-(float) $sums, 1e-3);
    }
});

it('counts what a mould has made as pieces are made, dropped and its runs end', function (): void {
    $mould = Machine::query()
        ->whereIn('id', DB::table('run_stations')->whereNotNull('to_at')->select('machine_id'))
        ->firstOrFail();
    $all = static fn (): int => DB::table('pieces')->where('outcome', '<>', 'dropped')
        ->whereIn('run_id', DB::table('run_stations')->where('machine_id', $mould->id)->select('run_id'))->count();
    expect($mould->made())->toBe($all());
    $run = Run::query()
        ->whereNotIn('id', DB::table('run_stations')->where('machine_id', $mould->id)->select('run_id'))
        ->firstOrFail();
    DB::table('run_stations')->insert([
        'run_id' => $run->id, 'role' => 'tried', 'machine_id' => $mould->id, 'from_at' => now(),
    ]);
    DB::table('pieces')->insert([
        ['run_id' => $run->id, 'number' => 901, 'outcome' => 'done', 'began_at' => now()],
        ['run_id' => $run->id, 'number' => 902, 'outcome' => 'dropped', 'began_at' => now()],
    ]);
    expect($mould->made())->toBe($all());
    DB::table('run_stations')->where('role', 'tried')->update(['to_at' => now()->addMinute()]);
    expect($mould->made())->toBe($all());
});
