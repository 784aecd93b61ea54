<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\ProposalData;
use App\Shop\Data\GoodsData;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Support\Seconds;

/** What to make next: what runs short, on machines that are free soonest, of lots that may be taken. */
final readonly class Proposals
{
    public const MOST = 3;

    public function __construct(private Goods $goods, private Makeable $makeable)
    {
    }

    /**
     * @param  float  $until  end of the shift, seconds since 1970 UTC
     * @return list<ProposalData> what is there soonest first; what cannot be begun last
     */
    public function of(float $until): array
    {
        $now = Seconds::now();
        $short = array_filter($this->goods->all(), static fn (GoodsData $g): bool => $g->wants > 0);
        $products = Product::query()->whereKey(array_column($short, 'product_id'))->with('recipes')->get()->keyBy('id');
        $proposals = [];
        foreach ($short as $goods) {
            $product = $products->get($goods->product_id);
            if ($product instanceof Product) {
                $proposals[] = self::proposal(
                    $goods,
                    $product,
                    $this->makeable->of($product, $goods->wants, $now),
                    $until,
                );
            }
        }
        usort($proposals, static fn (ProposalData $a, ProposalData $b): int => [$a->holds !== [], $a->first_at ?? INF]
            <=> [$b->holds !== [], $b->first_at ?? INF]);

        return array_slice($proposals, 0, self::MOST);
    }

    private static function proposal(GoodsData $goods, Product $product, ToMake $made, float $until): ProposalData
    {
        $length = $made->length();
        $can = $length !== null && $made->holds === [];
        $on = $can && $length->setUpMin > 0 && $made->main !== null ? ["switch {$made->main->name} on"] : [];

        return new ProposalData(
            $product->id,
            $product->name,
            $product->polymer,
            $goods->held,
            $goods->wants,
            $made->pieces,
            $made->procedure?->pieceName() ?? 'piece',
            $made->process->counts(),
            $made->main?->id,
            $made->main?->name,
            $made->lot?->code,
            $can ? $made->begins + 60 * $length->untilFirst() : null,
            $can ? $made->begins + 60 * $length->whole($made->pieces) : null,
            $can ? min(
                $goods->wants,
                $made->perPiece * min($made->pieces, $length->within(($until - $made->begins) / 60)),
            ) : 0,
            [...$made->first, ...$on],
            $made->holds,
        );
    }
}
