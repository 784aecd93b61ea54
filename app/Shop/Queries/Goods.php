<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Data\GoodsData;
use App\Shop\Models\Finished;
use App\Shop\Models\Finishing;
use App\Shop\Models\GoodsMovement;
use App\Shop\Models\GoodsTotal;
use App\Shop\Models\Product;
use Dithermic\Core\Stock\Shelf;
use Illuminate\Support\Collection;

/**
 * Finished goods by product: what was made, less what was taken away. Where something is done to pieces after their
 * run, they are goods once it was done.
 */
final readonly class Goods
{
    /** @return list<GoodsData> what wants making first, then by name */
    public function all(): array
    {
        $goods = $this->of(Product::query()->orderBy('name')->get()->all());
        usort($goods, static fn (GoodsData $a, GoodsData $b): int => ($b->wants > 0) <=> ($a->wants > 0));

        return $goods;
    }

    public function one(Product $product): GoodsData
    {
        return $this->of([$product])[0];
    }

    public function held(Product $product): int
    {
        return $this->one($product)->held;
    }

    /** Good pieces that were not finished yet, whether or not anything is to be done to them now. */
    public function toFinish(Product $product): int
    {
        return max(0, (int) GoodsTotal::query()->whereKey($product->id)->value('made')
            - (int) Finished::query()->where('product_id', $product->id)->sum('count'));
    }

    /**
     * @param  array<int, Product>  $products
     * @return list<GoodsData>
     */
    private function of(array $products): array
    {
        $ids = array_map(static fn (Product $p): int => $p->id, array_values($products));
        $made = GoodsTotal::query()->whereKey($ids)->pluck('made', 'product_id');
        $moved = self::sums(GoodsMovement::class, $ids);
        $finished = self::sums(Finished::class, $ids);
        $inForce = Finishing::inForce($ids);
        $finishings = $inForce->isEmpty() ? null : Finishings::now();

        return array_map(static function (Product $product) use (
            $made,
            $moved,
            $finished,
            $inForce,
            $finishings,
        ): GoodsData {
            $finishing = $inForce->get($product->id);
            $all = (int) ($made[$product->id] ?? 0);
            $done = $finishing === null ? $all : (int) ($finished[$product->id] ?? 0);

            $waits = max(0, $all - $done);
            $held = $done + (int) ($moved[$product->id] ?? 0);
            $work = $finishing === null ? null : $finishings?->work($finishing, $waits);

            return new GoodsData(
                $product->id,
                $product->name,
                $product->process,
                $product->polymer,
                $held,
                $product->reorder_at,
                $product->make_to,
                // What waits to be finished need not be made.
                (new Shelf($held + $waits, $product->reorder_at, $product->make_to))->wants(),
                $product->revision,
                $waits,
                $finishing === null ? [] : $finishings?->told($finishing) ?? [],
                $work->piece_min ?? 0.0,
                $work->people ?? 1,
                $work->hands_min ?? 0.0,
                $work->all_hands_min ?? 0.0,
                $work->can_finish ?? 0,
                $work->warnings ?? [],
            );
        }, array_values($products));
    }

    /**
     * @param  class-string<GoodsMovement|Finished>  $of
     * @param  list<int>  $products
     * @return Collection<int, int> by product
     */
    private static function sums(string $of, array $products): Collection
    {
        return $of::query()->whereIn('product_id', $products)->groupBy('product_id')
            ->selectRaw('product_id, sum(count) as all_of_it')->toBase()->pluck('all_of_it', 'product_id');
    }
}
