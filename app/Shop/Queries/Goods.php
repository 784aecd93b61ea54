<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Data\GoodsData;
use App\Shop\Models\GoodsMovement;
use App\Shop\Models\GoodsTotal;
use App\Shop\Models\Product;
use Dithermic\Core\Stock\Shelf;

/** Finished goods by product: what was made, less what was taken away. */
final class Goods
{
    /** @return list<GoodsData> what wants making first, then by name */
    public function all(): array
    {
        $made = GoodsTotal::query()->pluck('made', 'product_id');
        $moved = GoodsMovement::query()->groupBy('product_id')
            ->selectRaw('product_id, sum(count) as held')->toBase()->pluck('held', 'product_id');
        $goods = Product::query()->orderBy('name')->get()->map(static fn (Product $product): GoodsData => self::of(
            $product,
            (int) ($made[$product->id] ?? 0) + (int) ($moved[$product->id] ?? 0),
        ))->all();
        usort($goods, static fn (GoodsData $a, GoodsData $b): int => ($b->wants > 0) <=> ($a->wants > 0));

        return $goods;
    }

    public function one(Product $product): GoodsData
    {
        return self::of($product, $this->held($product));
    }

    public function held(Product $product): int
    {
        return (int) GoodsTotal::query()->whereKey($product->id)->value('made')
            + (int) GoodsMovement::query()->where('product_id', $product->id)->sum('count');
    }

    private static function of(Product $product, int $held): GoodsData
    {
        return new GoodsData(
            $product->id,
            $product->name,
            $product->process,
            $product->polymer,
            $held,
            $product->reorder_at,
            $product->make_to,
            (new Shelf($held, $product->reorder_at, $product->make_to))->wants(),
            $product->revision,
        );
    }
}
