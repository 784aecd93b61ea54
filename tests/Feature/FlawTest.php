<?php

declare(strict_types=1);

use App\Causes\Models\Flaw;
use App\Causes\Queries\Evidence;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** A run of parts of the demo, with so many pieces or more. */
function runOfParts(int $least = 6): Run
{
    $product = Product::query()->where('name', 'entrance reducer')->value('id');

    return Run::query()->with('product')->where('product_id', $product)
        ->whereHas('pieces', null, '>=', $least)
        ->orderByDesc('number')
        ->firstOrFail();
}

/** @param  array<string, mixed>  $over */
function flawOn(Run $run, ?int $piece, array $over = []): TestResponse
{
    return test()->postJson("/api/v1/runs/{$run->id}/flaws", $over + [
        'id' => fake_uuid(), 'piece' => $piece, 'defect' => 'burn_marks', 'along' => 0.1, 'across' => 0.9,
    ]);
}

it('says that a flaw is in one place on every part, with the place', function (): void {
    $this->signedIn();
    $run = runOfParts();
    foreach ([1, 2, 3, 4] as $piece) {
        flawOn($run, $piece, ['along' => 0.1 + 0.01 * $piece])->assertOk();
    }
    $map = flawOn($run, 5, ['along' => 0.8, 'across' => 0.3])->assertOk()->json();
    // The demo's own are of another kind.
    $kind = collect($map['kinds'])->firstWhere('id', 'burn_marks');
    expect($kind)->toMatchArray(['id' => 'burn_marks', 'name' => 'Burn marks (trapped-air scorch)', 'marks' => 5])
        ->and($kind['places'])->toHaveCount(1)
        ->and($kind['places'][0]['pieces'])->toHaveCount(4)
        ->and($kind['says'])->toContain('4 of 5 parts')->toContain('mould')
        ->and($this->getJson("/api/v1/runs/{$run->id}/flaws")->assertOk()->json())->toEqual($map);
    // And over all runs of the product.
    $all = $this->getJson("/api/v1/products/{$run->product_id}/flaws")->assertOk()->json();
    expect(collect($all['marks'])->where('defect', 'burn_marks')->pluck('run')->all())
        ->toBe(array_fill(0, 5, $run->number));
    // Short shots of the demo end where the flow does; what was formed too cold is so anywhere.
    $kinds = collect($all['kinds'])->keyBy('id');
    expect($kinds['short_shot']['places'])
        ->toHaveCount(1)
        ->and($kinds['short_shot']['places'][0]['where'])
        ->toBe('edge');
    $tray = Product::query()->where('name', 'syrup feeder tray')->value('id');
    expect($this->getJson("/api/v1/products/{$tray}/flaws")->json('kinds.0'))
        ->toMatchArray(['id' => 'vac_no_detail', 'places' => []]);
});

it('tells the search for a cause what the map says, so that nobody is asked', function (): void {
    $this->signedIn();
    $run = runOfParts();
    foreach ([1, 2, 3, 4] as $piece) {
        flawOn($run, $piece)->assertOk();
    }
    $load = [
        'events.by', 'procedureVersion', 'product', 'materials.lot.source', 'stations.machine', 'inspections', 'pieces',
    ];
    $told = static fn (?int $piece): array => collect(app(Evidence::class)->of($run->fresh()->load($load), $piece))
        ->mapWithKeys(static fn ($s): array => [$s->signal => $s])->all();
    expect($told(4)['defect_place']->value)->toBe('corner')
        ->and($told(4)['defect_repeat']->from)->toContain('map of flaws')
        ->and($told(6))->not->toHaveKey('defect_place');
});

it('keeps one once however often it is sent, and one that is taken back no more', function (): void {
    $this->signedIn();
    $run = runOfParts();
    $id = fake_uuid();
    flawOn($run, 1, ['id' => $id])->assertOk();
    flawOn($run, 1, ['id' => strtoupper($id)])->assertOk();
    $mine = fn (): int => collect($this->getJson("/api/v1/runs/{$run->id}/flaws")->json('marks'))
        ->where('defect', 'burn_marks')
        ->count();
    expect($mine())->toBe(1);
    $back = ['id' => fake_uuid(), 'undoes' => $id];
    $this->postJson("/api/v1/runs/{$run->id}/flaws", $back)->assertOk();
    expect($mine())->toBe(0);
    $this->postJson("/api/v1/runs/{$run->id}/flaws", $back)->assertOk();
    $this->postJson("/api/v1/runs/{$run->id}/flaws", ['id' => fake_uuid(), 'undoes' => $id])
        ->assertUnprocessable()->assertJsonPath('error.field', 'undoes');
    expect(Flaw::query()->where('run_id', $run->id)->where('id', $id)->orWhere('undoes', $id)->count())->toBe(2);
});

it('refuses what is nowhere on a part of this run', function (array $over, string $field): void {
    $this->signedIn();
    flawOn(runOfParts(), 1, $over)->assertUnprocessable()->assertJsonPath('error.field', $field);
})->with([
    'beside it' => [['along' => 1.01], 'along'],
    'no place' => [['across' => null], 'across'],
    'no such piece' => [['piece' => 99999], 'piece'],
    'on none' => [['piece' => null], 'piece'],
    'of another process' => [['defect' => 'bridging'], 'defect'],
    'unheard of' => [['defect' => 'gremlins'], 'defect'],
    'no id' => [['id' => 'x'], 'id'],
]);

it('takes no id that is another run\'s', function (): void {
    $this->signedIn();
    $run = runOfParts();
    $id = fake_uuid();
    flawOn($run, 1, ['id' => $id])->assertOk();
    $other = Run::query()
        ->with('product')
        ->where('product_id', $run->product_id)
        ->whereKeyNot($run->id)
        ->has('pieces')
        ->firstOrFail();
    $piece = Piece::query()->where('run_id', $other->id)->value('number');
    flawOn($other, $piece, ['id' => $id])->assertUnprocessable()->assertJsonPath('error.field', 'id');
});

it('is for who has signed in, and a line of it stays as it is', function (): void {
    $run = runOfParts();
    $this->getJson("/api/v1/runs/{$run->id}/flaws")->assertUnauthorized();
    flawOn($run, 1)->assertUnauthorized();
    $this->signedIn();
    flawOn($run, 1)->assertOk();
    expect(fn () => DB::table('flaws')->update(['along' => 0.5]))->toThrow(QueryException::class, 'append-only');
});
