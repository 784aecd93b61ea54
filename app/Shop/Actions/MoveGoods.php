<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\GoodsMovement;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Shop\Support\GoodsMovementKind;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Stock\Shelf;
use Illuminate\Support\Facades\DB;

/** Takes goods away or puts their number right, once per id; says when more are made. */
final readonly class MoveGoods
{
    public function __construct(private Goods $goods, private Sent $sent, private ShopClock $clock)
    {
    }

    /** @throws InputError by field */
    public function __invoke(
        string $id,
        User $by,
        Product $product,
        GoodsMovementKind $kind,
        int $count,
        string $reason,
    ): void {
        DB::transaction(function () use ($id, $by, $product, $kind, $count, $reason): void {
            // One at a time for each product, so that nobody takes what is gone.
            Product::query()->whereKey($product->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $change = (new Shelf($this->goods->held($product), null, null))->change($kind->value, $count);
            if ($kind === GoodsMovementKind::Counted && $change !== 0 && trim($reason) === '') {
                throw new InputError('reason', 'is required: what stands there differs by '.abs($change));
            }
            GoodsMovement::query()->create([
                'id' => $id,
                'product_id' => $product->id,
                'kind' => $kind,
                'count' => $change,
                'reason' => $reason,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /**
     * @param  int  $after  the revision that was seen
     *
     * @throws InputError by field
     */
    public function watch(Product $product, int $after, ?int $reorderAt, ?int $makeTo): void
    {
        DB::transaction(static function () use ($product, $after, $reorderAt, $makeTo): void {
            $locked = Product::query()->whereKey($product->id)->lockForUpdate()->firstOrFail();
            if ($locked->revision !== $after) {
                throw new InputError(
                    'after_revision',
                    "is not the newest: somebody has changed {$locked->name} meanwhile",
                );
            }
            new Shelf(0, $reorderAt, $makeTo);
            $locked->update(['reorder_at' => $reorderAt, 'make_to' => $makeTo, 'revision' => $after + 1]);
            $product->refresh();
        });
    }
}
