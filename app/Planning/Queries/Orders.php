<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Data\OrderData;
use App\Planning\Models\ShopOrder;
use App\Shop\Data\GoodsData;
use App\Shop\Queries\Goods;
use App\Support\Seconds;

/** Orders that nobody has delivered, with what of them stands on the shelf. */
final readonly class Orders
{
    public const MOST = 200;

    public function __construct(private Goods $goods)
    {
    }

    /**
     * @param  list<GoodsData>|null  $goods  where they are known already
     * @return list<OrderData> by when they are due
     */
    public function open(?array $goods = null): array
    {
        $left = array_column(
            array_map(
                static fn (GoodsData $g): array => ['id' => $g->product_id, 'held' => max(0, $g->held)],
                $goods ?? $this->goods->all(),
            ),
            'held',
            'id',
        );
        $orders = ShopOrder::query()->open()
            ->with(['product', 'log', 'by'])
            ->orderBy('number')
            ->limit(self::MOST)
            ->get()
            ->sortBy(static fn (ShopOrder $o): array => [$o->dueAt()->getTimestamp(), $o->number]);
        $told = [];
        foreach ($orders as $order) {
            $ready = min($order->count, $left[$order->product_id] ?? 0);
            $left[$order->product_id] = ($left[$order->product_id] ?? 0) - $ready;
            $told[] = self::data($order, $ready);
        }

        return $told;
    }

    public static function data(ShopOrder $order, int $ready): OrderData
    {
        return new OrderData(
            $order->id,
            $order->number,
            $order->product_id,
            $order->product->name,
            $order->count,
            Seconds::of($order->dueAt()),
            $order->words,
            $ready,
            $order->by->name,
            Seconds::of($order->at),
            $order->log->last()->id ?? 0,
        );
    }
}
