<?php

declare(strict_types=1);

use App\Shop\Models\BoughtPart;
use App\Shop\Models\Finished;
use App\Shop\Models\PartMovement;
use App\Shop\Models\Product;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** A product with nothing that is done to it, and good pieces on its shelf. */
function unfinished(): Product
{
    $product = Product::query()->create([
        'name' => 'comb rack', 'process' => 'injection', 'polymer' => 'PP', 'dimensions' => [], 'note' => '',
    ]);
    cameOut($product, 10);

    return $product;
}

function cameOut(Product $product, int $count): void
{
    // What a run puts there; the run itself does not matter here.
    DB::table('goods_totals')->updateOrInsert(
        ['product_id' => $product->id],
        ['made' => (int) DB::table('goods_totals')->where('product_id', $product->id)->value('made') + $count],
    );
}

function boughtPart(string $name = 'copper rivet', int $held = 0): int
{
    $id = collect(
        test()->signedIn('maren')->postJson('/api/v1/parts', ['name' => $name])->assertCreated()->json('items'),
    )
        ->firstWhere('name', $name)['id'];
    if ($held > 0) {
        test()->postJson("/api/v1/parts/{$id}/movements", ['id' => fake_uuid(), 'kind' => 'came', 'count' => $held])
            ->assertCreated();
    }

    return $id;
}

/** @param  list<array<string, mixed>>  $operations */
function isFinishedBy(Product $product, array $operations, int $after = 0, int $wait = 0): TestResponse
{
    return test()->signedIn('maren')->postJson("/api/v1/products/{$product->id}/finishing", [
        'after' => $after, 'operations' => $operations, 'wait' => $wait,
    ]);
}

function finish(
    Product $product,
    int $count,
    string $reason = '',
    ?string $id = null,
    string $who = 'ines',
): TestResponse {
    return test()->signedIn($who)->postJson("/api/v1/products/{$product->id}/finished", [
        'id' => $id ?? fake_uuid(), 'count' => $count, 'reason' => $reason,
    ]);
}

/** @return array<string, mixed> */
function goodsOf(Product $product): array
{
    return collect(
        test()->signedIn('ines')->getJson('/api/v1/goods')->json('items'),
    )->firstWhere('product_id', $product->id);
}

const RIVETED = ['title' => 'rivet', 'minutes' => 1.5, 'people' => 1];

it('keeps what stands there as goods, and has what comes after it wait', function (): void {
    $product = unfinished();
    isFinishedBy($product, [['title' => 'trim', 'minutes' => 2, 'people' => 1, 'uses' => []]])->assertOk()
        ->assertJsonPath('operations.0.title', 'trim')->assertJsonPath('by', 'Maren Okafor');
    expect(goodsOf($product))->toMatchArray(['held' => 10, 'to_finish' => 0]);
    cameOut($product, 6);
    expect(goodsOf($product))
        ->toMatchArray(['held' => 10, 'to_finish' => 6, 'finish_min' => 12, 'can_finish' => 6, 'lacks' => []]);
    finish($product, 4)->assertCreated()->assertJson(['held' => 14, 'to_finish' => 2]);
    // Goods that go are finished ones.
    $this->postJson("/api/v1/products/{$product->id}/goods", ['id' => fake_uuid(), 'kind' => 'taken', 'count' => 15])
        ->assertStatus(422)->assertJsonPath('error.field', 'count');
});

it('takes bought-in parts off their shelf, and says how many can be finished with what is there', function (): void {
    $product = unfinished();
    $rivet = boughtPart('copper rivet', 20);
    isFinishedBy($product, [RIVETED + ['uses' => [['part_id' => $rivet, 'count' => 4]]]])->assertOk();
    cameOut($product, 6);
    expect(goodsOf($product))->toMatchArray(['to_finish' => 6, 'can_finish' => 5])
        ->and(goodsOf($product)['lacks'])->toBe(['24 × copper rivet are wanted, and 20 are there: 4 are missing.']);
    $refused = finish($product, 6)->assertStatus(422)->assertJsonPath('error.field', 'count');
    expect($refused->json('error.message'))->toContain('24 × copper rivet', '20 are there', 'finish 5 of 6')
        ->and(BoughtPart::query()->find($rivet)?->held())->toBe(20)
        ->and(goodsOf($product))->toMatchArray(['held' => 10, 'to_finish' => 6]);
    finish($product, 5)->assertCreated()->assertJson(['held' => 15, 'to_finish' => 1]);
    expect(BoughtPart::query()->find($rivet)?->held())->toBe(0);
});

it('takes back what was not finished after all, with its parts and a reason', function (): void {
    $product = unfinished();
    $rivet = boughtPart('copper rivet', 20);
    isFinishedBy($product, [RIVETED + ['uses' => [['part_id' => $rivet, 'count' => 2]]]])->assertOk();
    cameOut($product, 5);
    finish($product, 5)->assertCreated();
    finish($product, -2)->assertStatus(422)->assertJsonPath('error.field', 'reason');
    finish($product, -2, 'rivets are loose')->assertCreated()->assertJson(['held' => 13, 'to_finish' => 2]);
    expect(BoughtPart::query()->find($rivet)?->held())->toBe(14);
    // Three are left of those that were finished here; the ten before took nothing.
    finish($product, -4, 'all of them')->assertStatus(422)->assertJsonPath('error.field', 'count');
    $log = $this->getJson("/api/v1/products/{$product->id}/finishing")->assertOk()->json('log');
    expect(array_column($log, 'count'))->toEqualCanonicalizing([-2, 5, 10]);
});

it('counts what is sent twice once', function (): void {
    $product = unfinished();
    isFinishedBy($product, [['title' => 'saw', 'minutes' => 1, 'people' => 1, 'uses' => []]])->assertOk();
    cameOut($product, 5);
    $id = fake_uuid();
    finish($product, 2, id: $id)->assertCreated();
    finish($product, 2, id: $id)->assertCreated()->assertJson(['held' => 12, 'to_finish' => 3]);
});

it('finishes no more than wait, and nothing of what has nothing to be done', function (): void {
    $product = unfinished();
    finish($product, 1)->assertStatus(422)->assertJsonPath('error.field', 'product');
    isFinishedBy($product, [['title' => 'saw', 'minutes' => 1, 'people' => 1, 'uses' => []]])->assertOk();
    finish($product, 1)->assertStatus(422)->assertJsonPath('error.field', 'count');
    finish($product, 0)->assertStatus(422)->assertJsonPath('error.field', 'count');
});

it('lets two leads not talk over one another, and says no part that is not there', function (): void {
    $product = unfinished();
    $saw = [['title' => 'saw', 'minutes' => 1, 'people' => 1, 'uses' => []]];
    $after = isFinishedBy($product, $saw)->json('after');
    isFinishedBy($product, [])->assertStatus(422)->assertJsonPath('error.field', 'after');
    isFinishedBy($product, [RIVETED + ['uses' => [['part_id' => 999_999, 'count' => 1]]]], $after)
        ->assertStatus(422)->assertJsonPath('error.field', 'operations.0.uses.0.part_id');
    isFinishedBy($product, [['title' => '', 'minutes' => 0, 'people' => 9, 'uses' => []]], $after)->assertStatus(422);
    $this
        ->signedIn('ines')
        ->postJson("/api/v1/products/{$product->id}/finishing", ['after' => $after, 'operations' => []])
        ->assertForbidden();
    // Nothing is done any more: all that was made is goods again.
    cameOut($product, 3);
    isFinishedBy($product, [], $after)->assertOk();
    expect(goodsOf($product))->toMatchArray(['held' => 13, 'to_finish' => 0, 'operations' => []]);
});

it('has what waits to be finished not made again', function (): void {
    $product = unfinished();
    isFinishedBy($product, [['title' => 'saw', 'minutes' => 1, 'people' => 1, 'uses' => []]])->assertOk();
    cameOut($product, 30);
    $this->signedIn('maren')->postJson("/api/v1/products/{$product->id}/shelf", [
        'after_revision' => $product->fresh()?->revision ?? 1, 'reorder_at' => 12, 'make_to' => 50,
    ])->assertOk()->assertJson(['held' => 10, 'to_finish' => 30, 'wants' => 0]);
});

it('orders a part at its mark, and says for what it is', function (): void {
    $product = unfinished();
    $id = boughtPart('copper rivet', 60);
    isFinishedBy($product, [RIVETED + ['uses' => [['part_id' => $id, 'count' => 2]]]])->assertOk();
    $said = [
        'name' => 'copper rivet 4 mm', 'reorder_at' => 50, 'order_to' => 200, 'comes_days' => 4, 'after_revision' => 1,
    ];
    $this->putJson("/api/v1/parts/{$id}", ['order_to' => null] + $said)
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'order_to');
    $this->putJson("/api/v1/parts/{$id}", $said)->assertOk();
    $this->putJson("/api/v1/parts/{$id}", $said)->assertStatus(422)->assertJsonPath('error.field', 'after_revision');
    $part = fn (): array => collect($this->getJson('/api/v1/parts')->json('items'))->firstWhere('id', $id);
    expect($part())->toMatchArray(['held' => 60, 'order' => 0, 'used_by' => ['comb rack'], 'comes_days' => 4]);
    $this->postJson("/api/v1/parts/{$id}/movements", ['id' => fake_uuid(), 'kind' => 'counted', 'count' => 48])
        ->assertStatus(422)->assertJsonPath('error.field', 'reason');
    $this->postJson("/api/v1/parts/{$id}/movements", [
        'id' => fake_uuid(), 'kind' => 'counted', 'count' => 48, 'reason' => 'some fell under the bench',
    ])->assertCreated();
    expect($part())->toMatchArray(['held' => 48, 'order' => 152]);
    $this->postJson("/api/v1/parts/{$id}/movements", ['id' => fake_uuid(), 'kind' => 'used', 'count' => 1])
        ->assertStatus(422)->assertJsonPath('error.field', 'kind');
    // What something is finished with is not given up.
    $this->putJson("/api/v1/parts/{$id}", ['retired' => true, 'after_revision' => 2] + $said)
        ->assertStatus(422)->assertJsonPath('error.field', 'retired');
});

it('has one part of a name, whichever way it is written, and only a lead enters it', function (): void {
    boughtPart('copper rivet');
    $this->postJson('/api/v1/parts', ['name' => 'Copper Rivet'])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'name');
    $this->signedIn('ines')->postJson('/api/v1/parts', ['name' => 'felt pad'])->assertForbidden();
});

it('only ever adds to its logs', function (string $table): void {
    $product = unfinished();
    $rivet = boughtPart('copper rivet', 20);
    isFinishedBy($product, [RIVETED + ['uses' => [['part_id' => $rivet, 'count' => 1]]]])->assertOk();
    expect(fn () => DB::transaction(fn () => DB::table($table)->delete()))->toThrow(Exception::class)
        ->and(DB::table($table)->count())->toBeGreaterThan(0);
})->with(['finishings', 'finished', 'part_movements']);

it('keeps its shelf in step with what was logged', function (): void {
    $product = unfinished();
    $rivet = boughtPart('copper rivet', 100);
    isFinishedBy($product, [RIVETED + ['uses' => [['part_id' => $rivet, 'count' => 3]]]])->assertOk();
    cameOut($product, 20);
    foreach ([3, 5, -2, 4] as $count) {
        finish($product, $count, 'looked again')->assertCreated();
    }
    expect((int) Finished::query()->where('product_id', $product->id)->sum('count'))->toBe(20)
        ->and((int) PartMovement::query()->where('part_id', $rivet)->sum('count'))->toBe(100 - 3 * 10)
        ->and(goodsOf($product))->toMatchArray(['held' => 20, 'to_finish' => 10]);
});

it('has of what stands there wait what was not finished yet, and no more than stand there', function (): void {
    $product = unfinished();
    $rivet = boughtPart('copper rivet', 20);
    $steps = [RIVETED + ['uses' => [['part_id' => $rivet, 'count' => 2]]]];
    isFinishedBy($product, $steps, wait: 11)->assertStatus(422)->assertJsonPath('error.field', 'wait');
    $after = isFinishedBy($product, $steps, wait: 4)->assertOk()->json('after');
    expect(goodsOf($product))->toMatchArray(['held' => 6, 'to_finish' => 4]);
    finish($product, 4)->assertCreated()->assertJson(['held' => 10, 'to_finish' => 0]);
    expect(BoughtPart::query()->find($rivet)?->held())->toBe(12);
    // It counts once: who changes what is done takes nothing back with it.
    isFinishedBy($product, [['title' => 'saw', 'minutes' => 1, 'people' => 1, 'uses' => []]], $after, 5)->assertOk();
    expect(goodsOf($product))->toMatchArray(['held' => 10, 'to_finish' => 0]);
});

/** @param  list<string>  $rows */
function finishingCsv(array $rows, bool $preview = false, string $who = 'maren'): TestResponse
{
    $text = implode("\r\n", ['product,operation,minutes,hands,part,count,reorder_at,order_to', ...$rows]);

    return test()->signedIn($who)->post('/api/v1/transfer/finishing', [
        'id' => fake_uuid(), 'preview' => $preview ? '1' : '0',
        'file' => UploadedFile::fake()->createWithContent('f.csv', $text),
    ], ['Accept' => 'application/json']);
}

it('comes in as CSV: tried first, all or none, with parts that are not here yet', function (): void {
    $product = unfinished();
    $rows = [
        'comb rack,saw,2.5,,,,,', 'comb rack,rivet,1,2,copper rivet,4,50,200', 'comb rack,rivet,1,2,felt pad,1,,',
    ];
    $tried = finishingCsv($rows, preview: true)->assertOk()->json();
    expect($tried['would'])->toBe([
        'copper rivet: a new part, none of it there', 'felt pad: a new part, none of it there', 'comb rack: saw, rivet',
    ])->and(BoughtPart::query()->where('name', 'copper rivet')->exists())->toBeFalse();
    finishingCsv($rows)->assertOk();
    $told = $this->getJson("/api/v1/products/{$product->id}/finishing")->json('operations');
    expect(array_column($told, 'title'))->toBe(['saw', 'rivet'])
        ->and($told[1]['people'])->toBe(2)
        ->and(array_column($told[1]['uses'], 'count', 'part'))->toBe(['copper rivet' => 4, 'felt pad' => 1])
        ->and(BoughtPart::query()->where('name', 'copper rivet')->value('order_to'))->toBe(200);
    expect(finishingCsv($rows)->json('would'))->toBe(['comb rack: as it was']);
    // What stands there stays goods.
    expect(goodsOf($product))->toMatchArray(['held' => 10, 'to_finish' => 0]);
    $out = (string) $this->get('/api/v1/transfer/finishing.csv')->assertOk()->getContent();
    expect($out)->toContain('"comb rack",saw,2.5', '"comb rack",rivet,1,2,"copper rivet",4,50,200');
});

it('names what is wrong in a row, and takes nothing of the file', function (string $row, string $field): void {
    unfinished();
    $faults = finishingCsv(['comb rack,saw,2,,,,,', $row])->assertStatus(422)->json('errors');
    expect($faults)->toHaveCount(1)->and($faults[0]['field'])->toBe($field)
        ->and(DB::table('finishings')->where(
            'product_id',
            Product::query()->where('name', 'comb rack')->value('id'),
        )->count())->toBe(0);
})->with([
    'no such product' => ['honey tap,saw,2,,,,,', 'product'],
    'no minutes' => ['comb rack,drill,soon,,,,,', 'minutes'],
    'half a hand' => ['comb rack,drill,2,1.5,,,,', 'hands'],
    'no operation' => ['comb rack,,2,,,,,', 'operation'],
    'half a part' => ['comb rack,drill,2,1,copper rivet,0.5,,', 'count'],
    'a mark without an end' => ['comb rack,drill,2,1,copper rivet,1,50,', 'order_to'],
]);
