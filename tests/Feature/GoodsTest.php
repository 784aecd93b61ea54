<?php

declare(strict_types=1);

use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Shop\Models\Care;
use App\Shop\Models\GoodsMovement;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** @return array<string, mixed> goods of a product as they stand */
function shelfOf(TestCase $test, string $product): array
{
    return collect($test->getJson('/api/v1/goods')->assertOk()->json('items'))->firstWhere('product', $product);
}

it('knows what stands there: made, less what went out, and put right by a count', function (): void {
    $this->signedIn();
    $before = shelfOf($this, 'divider board');
    $path = "/api/v1/products/{$before['product_id']}/goods";
    $taken = ['id' => fake_uuid(), 'kind' => 'taken', 'count' => 1, 'reason' => 'market day'];
    $this->postJson($path, $taken)->assertCreated()->assertJsonPath('held', $before['held'] - 1);
    // Sent again it is the same going out; with another content it is refused.
    $this->postJson($path, $taken)->assertCreated()->assertJsonPath('held', $before['held'] - 1);
    $this->postJson($path, ['count' => 2] + $taken)->assertStatus(409);
    $this->postJson($path, ['id' => fake_uuid(), 'kind' => 'taken', 'count' => 999])
        ->assertStatus(422)->assertJsonPath('error.field', 'count');

    $this->postJson($path, ['id' => fake_uuid(), 'kind' => 'counted', 'count' => 9])
        ->assertStatus(422)->assertJsonPath('error.field', 'reason');
    $this->postJson($path, ['id' => fake_uuid(), 'kind' => 'counted', 'count' => 9, 'reason' => 'two behind the door'])
        ->assertCreated()->assertJsonPath('held', 9);
    expect(GoodsMovement::query()->where('product_id', $before['product_id'])->latest('at')->value('count'))
        ->toBe(9 - ($before['held'] - 1));
});

it('wants making once it runs short: a lead says when, and nobody overwrites another unseen', function (): void {
    $lead = $this->signedIn('maren');
    $goods = shelfOf($this, 'syrup feeder tray');
    $path = "/api/v1/products/{$goods['product_id']}/shelf";
    $at = ['after_revision' => $goods['revision'], 'reorder_at' => $goods['held'], 'make_to' => $goods['held'] + 6];
    $lead->postJson($path, $at)->assertOk()->assertJsonPath('wants', 6);
    $lead->postJson($path, $at)->assertStatus(422)->assertJsonPath('error.field', 'after_revision');
    $next = $goods['revision'] + 1;
    $lead->postJson($path, ['after_revision' => $next, 'reorder_at' => 9, 'make_to' => 9])
        ->assertStatus(422)->assertJsonPath('error.field', 'make_to');
    $lead->postJson($path, ['after_revision' => $next, 'reorder_at' => 9])
        ->assertStatus(422)->assertJsonPath('error.field', 'make_to');
    // The first of the list is what wants making.
    expect($lead->getJson('/api/v1/goods')->json('items.0.wants'))->toBeGreaterThan(0);
    $lead->postJson($path, ['after_revision' => $next])->assertOk()->assertJsonPath('reorder_at', null);
    $this->signedIn('ines')->postJson($path, ['after_revision' => $next + 1, 'reorder_at' => 1, 'make_to' => 2])
        ->assertForbidden();
});

it('grows by good pieces and shrinks when a verdict is put right', function (): void {
    $run = Run::query()->where('status', 'finished')->where('verdict', 'good')->firstOrFail();
    $this->signedIn('maren');
    $before = shelfOf($this, $run->product->name)['held'];
    $verdict = collect($this->getJson("/api/v1/runs/{$run->id}")->json('entries'))->firstWhere('entry', 'disposition');
    $put = static fn (string $to): array => ['event' => $verdict['key'], 'reason' => 'seen at the saw', 'values' => [
        'verdict' => $to, 'reason' => 'voids',
    ]];
    $this->postJson("/api/v1/runs/{$run->id}/events", ['events' => [entry('corrected', $put('scrap'))]])
        ->assertJsonPath('refused', []);
    expect(shelfOf($this, $run->product->name)['held'])->toBe($before - 1);
    $this->postJson("/api/v1/runs/{$run->id}/events", ['events' => [entry('corrected', $put('good'))]])
        ->assertJsonPath('refused', []);
    expect(shelfOf($this, $run->product->name)['held'])->toBe($before);
});

it('keeps what went out for good, and holds what cannot be', function (string $sql): void {
    expect(static fn () => DB::transaction(static fn () => DB::statement($sql)))->toThrow(QueryException::class);
})->with([
    'update goods_movements set count = 0',
    'delete from care_done',
    'truncate goods_movements',
    "update products set reorder_at = 5, make_to = 5 where name = 'stand rail'",
    "update products set reorder_at = 5, make_to = null where name = 'stand rail'",
    'update care set every_days = 0',
]);

it('is asked for when it is due and only then', function (): void {
    $lead = $this->signedIn('maren');
    $anvil = machineNamed('Anvil');
    $path = "/api/v1/machines/{$anvil}/care";
    $id = fake_uuid();
    $care = ['id' => $id, 'title' => 'Look at the shims', 'every_pieces' => 2];
    $lead->postJson($path, $care)->assertCreated();
    $lead->postJson($path, $care)->assertCreated();
    expect(Care::query()->where('title', 'Look at the shims')->count())->toBe(1);
    $mine = static fn (array $items): ?array => collect($items)->firstWhere('id', $id);
    expect($mine($lead->getJson('/api/v1/care')->json('items')))->toBeNull();

    Care::query()->whereKey($id)->update(['at' => now()->subHour()]);
    // Two sheets, each a run that is one pass; one that is stopped counts as well: the press was used.
    foreach ([1, 2] as $ignored) {
        $run = startRun()->json('summary.id');
        $this->postJson("/api/v1/runs/{$run}/events", ['events' => [entry('aborted', ['reason' => 'a test'])]])
            ->assertJsonPath('refused', []);
        Run::query()->whereKey($run)->update(['ended_at' => now()->subMinutes(5)]);
    }
    $due = $mine($this->getJson('/api/v1/care')->json('items'));
    expect($due)->toMatchArray(['state' => 'due', 'says' => '2 of 2 pieces', 'machine' => 'Anvil']);

    $this->signedIn('ines');
    $done = ['id' => fake_uuid(), 'note' => 'one shim thinner'];
    $this->postJson("/api/v1/care/{$id}/done", $done)->assertCreated();
    $this->postJson("/api/v1/care/{$id}/done", $done)->assertCreated();
    $now = $mine($this->getJson($path)->json('items'));
    expect($now['state'])->toBe('ok')
        ->and($now['says'])->toBe('0 of 2 pieces')
        ->and($now['done'])->toHaveCount(1)
        ->and($now['done'][0])->toMatchArray(['by' => 'Ines Halloran', 'note' => 'one shim thinner']);
});

it('is raised once by whoever sees it, and over when it is done', function (): void {
    $this->signedIn('ines');
    $path = '/api/v1/machines/'.machineNamed('Pond').'/care';
    $id = fake_uuid();
    $this->postJson($path, ['id' => $id, 'title' => 'Drips at the jack'])->assertCreated();
    $this->postJson($path, ['id' => fake_uuid(), 'title' => 'Every week', 'every_days' => 7])->assertForbidden();
    expect(collect($this->getJson('/api/v1/care')->json('items'))->firstWhere('id', $id))
        ->toMatchArray(['state' => 'due']);
    $this->postJson("/api/v1/care/{$id}/done", ['id' => fake_uuid()])->assertCreated();
    expect(collect($this->getJson($path)->json('items'))->firstWhere('id', $id))->toBeNull();
    $this->postJson("/api/v1/care/{$id}/done", ['id' => fake_uuid()])
        ->assertStatus(422)->assertJsonPath('error.field', 'care');
    // A run that this machine was not in has shown nothing of it.
    $other = Run::query()->whereDoesntHave('stations', static fn ($q) => $q->where('machine_id', machineNamed('Pond')));
    $this->postJson($path, ['id' => fake_uuid(), 'title' => 'x', 'run_id' => $other->value('id')])
        ->assertStatus(422)->assertJsonPath('error.field', 'run_id');
});

it('is no longer asked when a lead says so, and nothing is done to it then', function (): void {
    $care = Care::query()->whereNotNull('every_days')->firstOrFail();
    $this->signedIn('ines')->postJson("/api/v1/care/{$care->id}/give-up")->assertForbidden();
    $this->signedIn('maren')->postJson("/api/v1/care/{$care->id}/give-up")->assertOk();
    $this->postJson("/api/v1/care/{$care->id}/done", ['id' => fake_uuid()])
        ->assertStatus(422)->assertJsonPath('error.field', 'care');
    expect(collect(
        $this->getJson("/api/v1/machines/{$care->machine_id}/care")->json('items'),
    )->firstWhere('id', $care->id))
        ->toBeNull();
});

it('counts pieces where runs make several, by their own end, for all that is asked at once', function (): void {
    $this->signedIn();
    $heron = machineNamed('Heron');
    $care = Care::query()->where('machine_id', $heron)->whereNotNull('every_pieces')->firstOrFail();
    $since = $care->done()->firstOrFail()->at;
    $pieces = Piece::query()->where('ended_at', '>', $since)
        ->whereIn('run_id', RunStation::query()->where('machine_id', $heron)->select('run_id'))->count();
    expect($pieces)->toBeGreaterThan(0);
    $queries = 0;
    DB::listen(function () use (&$queries): void {
        $queries++;
    });
    $items = $this->getJson("/api/v1/machines/{$heron}/care")->assertOk()->json('items');
    $few = $queries;
    expect(collect($items)->firstWhere('id', $care->id)['says'])->toBe("{$pieces} of {$care->every_pieces} pieces");
    // Ten more of them ask the database no more often.
    foreach (range(1, 10) as $n) {
        Care::query()->create([
            'id' => fake_uuid(), 'machine_id' => $heron, 'title' => "more {$n}", 'every_pieces' => 100 * $n,
            'by_id' => $care->by_id, 'at' => now()->subDays($n),
        ]);
    }
    $queries = 0;
    $this->getJson("/api/v1/machines/{$heron}/care")->assertJsonCount(count($items) + 10, 'items');
    expect($queries)->toBeLessThanOrEqual($few);
});
