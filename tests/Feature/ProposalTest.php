<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Shop\Models\GoodsMovement;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Shop\Support\GoodsMovementKind;

/** A product of which so many stand there, and which is made again at two, up to so many. */
function short(Product $product, int $held, int $makeTo): Product
{
    $product->update(['reorder_at' => $makeTo - 1, 'make_to' => $makeTo]);
    GoodsMovement::query()->create([
        'id' => fake_uuid(), 'product_id' => $product->id, 'kind' => GoodsMovementKind::Counted,
        'count' => $held - app(Goods::class)->held($product), 'reason' => 'a test', 'by_id' => person('maren')->id,
        'at' => now(),
    ]);

    return $product;
}

/** @return list<array<string, mixed>> */
function proposed(float $hours = 8.0): array
{
    return test()
        ->signedIn()
        ->getJson('/api/v1/proposals?until='.(shopNow() + 3600 * $hours))
        ->assertOk()
        ->json('items');
}

beforeEach(function (): void {
    Product::query()->update(['reorder_at' => null, 'make_to' => null]);
});

it('proposes nothing while the shelf is full', function (): void {
    short(Product::query()->where('name', 'hive floor panel')->firstOrFail(), 5, 5);
    expect(proposed())->toBe([]);
});

it('says when the first and all of what runs short could be there, from which lot, and how many by the end', function (): void {
    $panel = short(Product::query()->where('name', 'hive floor panel')->firstOrFail(), 1, 5);
    [$made] = proposed(1.0);
    expect($made['product_id'])->toBe($panel->id)
        ->and([$made['held'], $made['wants'], $made['pieces']])->toBe([1, 4, 4])
        ->and($made['piece'])->toBe('sheet')
        ->and($made['counts'])->toBe('sheets')
        ->and($made['machine'])->toBe('Anvil')
        ->and(lot($made['lot'])->polymer)->toBe('HDPE')
        ->and($made['holds'])->toBe([])
        ->and($made['first_at'])->toBeGreaterThan(shopNow() + 15 * 60)
        ->and($made['all_at'])->toBeGreaterThan($made['first_at'] + 10 * 60)
        ->and($made['by_end'])->toBeGreaterThanOrEqual(1)->toBeLessThan(4)
        ->and($made['first'])->toContain('switch Anvil on');
    // A longer day makes more, and never more than are wanted.
    expect(proposed(24.0)[0]['by_end'])->toBe(4)->and(proposed(0.1)[0]['by_end'])->toBe(0);
});

it('makes shots of goods where a mould has several cavities', function (): void {
    $reducer = short(Product::query()->where('name', 'entrance reducer')->firstOrFail(), 0, 9);
    // What the mould has goes before what the product says.
    $cavities = (int) Machine::query()->findOrFail($reducer->mould_id)->fact('cavities');
    expect($cavities)->toBeGreaterThan(1);
    [$made] = proposed();
    expect($made['wants'])
        ->toBe(9)
        ->and($made['pieces'])
        ->toBe((int) ceil(9 / $cavities))
        ->and($made['counts'])
        ->toBe('shots');
});

it('waits for a machine that is in a run, and says so', function (): void {
    short(Product::query()->where('name', 'hive floor panel')->firstOrFail(), 0, 2);
    $before = proposed()[0]['first_at'];
    startRun();
    [$made] = proposed();
    expect($made['first'])->toContain('wait for Anvil')
        ->and($made['first_at'])->toBeGreaterThan($before + 15 * 60);
});

it('puts last what cannot be begun, with the reason', function (): void {
    short(Product::query()->where('name', 'hive floor panel')->firstOrFail(), 0, 2);
    short(Product::query()->where('name', 'entrance reducer')->firstOrFail(), 0, 8);
    Lot::query()->where('polymer', 'PP')->update(['reserved_for_id' => Product::query()->value('id')]);
    Machine::query()->where('kind', 'dryer')->update(['retired_at' => now()]);
    $made = proposed();
    expect(array_column($made, 'product'))->toBe(['hive floor panel', 'entrance reducer'])
        ->and($made[1]['holds'])->toContain('no lot of PP of an accepted source holds enough')
        ->and($made[1]['first_at'])->toBeNull()
        ->and($made[1]['by_end'])->toBe(0);
    Machine::query()->where('kind', 'hot_press')->update(['retired_at' => now()]);
    expect(implode(' ', proposed()[0]['holds']).implode(' ', proposed()[1]['holds']))
        ->toContain('there is no hot press');
});

it('counts the hours of a dryer in, for what takes up water', function (): void {
    $lot = Lot::factory()->holding(20_000)->create(['polymer' => 'PA6', 'form' => 'pellet']);
    $lot->source->update(['state' => 'accepted']);
    $part = Product::factory()->create([
        'process' => 'injection', 'polymer' => 'PA6',
        'dimensions' => [
            'part_volume_cm3' => 12, 'thickness_mm' => 2, 'flow_length_mm' => 60, 'cavities' => 1,
            'runner_volume_cm3' => 2,
        ],
    ]);
    short($part, 0, 3);
    Lot::query()->where('polymer', 'PA6')->whereKeyNot($lot->id)->update(['reserved_for_id' => $part->id]);
    $made = collect(proposed(24.0))->firstWhere('product_id', $part->id);
    expect(implode(' ', $made['first']).implode(' ', $made['holds']))->toContain("dry {$lot->code} for");
    if ($made['holds'] === []) {
        expect($made['first_at'])->toBeGreaterThan(shopNow() + 2 * 3600);
    }
});

it('wants to know until when', function (): void {
    $this->signedIn()->getJson('/api/v1/proposals')->assertUnprocessable()->assertJsonPath('error.field', 'until');
    $this->signedIn()->getJson('/api/v1/proposals?until=never')->assertUnprocessable();
});

it('takes a lot that holds enough for all, and what is kept for this product before others may', function (): void {
    $panel = short(Product::query()->where('name', 'hive floor panel')->firstOrFail(), 0, 4);
    Lot::query()
        ->where('polymer', 'HDPE')
        ->update(['reserved_for_id' => Product::query()->whereKeyNot($panel->id)->value('id')]);
    $source = Lot::query()->with('source')->where('code', 'L-0101')->firstOrFail()->source;
    $small = Lot::factory()->holding(3000)->create(['polymer' => 'HDPE', 'source_id' => $source->id]);
    // One sheet weighs some two kilograms: that is no lot for four.
    expect(implode(' ', proposed()[0]['holds']))->toContain('no lot of HDPE');
    $kept = Lot::factory()->holding(30_000)->create([
        'polymer' => 'HDPE', 'source_id' => $source->id, 'reserved_for_id' => $panel->id,
    ]);
    expect(proposed()[0]['lot'])->toBe($kept->code)->not->toBe($small->code);
});
