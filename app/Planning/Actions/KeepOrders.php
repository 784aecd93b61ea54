<?php

declare(strict_types=1);

namespace App\Planning\Actions;

use App\People\Models\User;
use App\Planning\Models\OrderEntry;
use App\Planning\Models\ShopOrder;
use App\Planning\Support\OrderEntryKind;
use App\Shop\Actions\MoveGoods;
use App\Shop\Models\Product;
use App\Shop\Support\GoodsMovementKind;
use App\Support\Seconds;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Takes an order, moves it to another day, delivers it off the shelf, or cancels it. */
final readonly class KeepOrders
{
    public function __construct(private Sent $sent, private ShopClock $clock, private MoveGoods $goods)
    {
    }

    /** @param  float  $due  seconds since 1970 UTC */
    public function take(string $id, User $by, Product $product, int $count, float $due, string $words): ShopOrder
    {
        return DB::transaction(function () use ($id, $by, $product, $count, $due, $words): ShopOrder {
            if (! $this->sent->as($id)) {
                return ShopOrder::query()->findOrFail($id);
            }
            $this->mustCome($due);

            return ShopOrder::query()->create([
                'id' => $id,
                'product_id' => $product->id,
                'count' => $count,
                'due_at' => Seconds::moment($due),
                'words' => $words,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /**
     * @param  int  $after  the newest entry that was seen
     *
     * @throws InputError where it is over, somebody has said something since, or the shelf has too few
     */
    public function say(
        string $id,
        ShopOrder $order,
        OrderEntryKind $kind,
        int $after,
        ?float $due,
        string $reason,
        User $by,
    ): void {
        DB::transaction(function () use ($id, $order, $kind, $after, $due, $reason, $by): void {
            $locked = ShopOrder::query()->whereKey($order->id)
                ->lockForUpdate()
                ->with(['log', 'product'])
                ->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $last = $locked->log->last();
            if ($last !== null && $last->kind !== OrderEntryKind::Moved) {
                throw new InputError('order', "was {$last->kind->value} already");
            }
            if (($last->id ?? 0) !== $after) {
                throw new InputError(
                    'after',
                    'is not the newest: somebody has said something of this order. Look again',
                );
            }
            if ($kind === OrderEntryKind::Moved) {
                $this->mustCome($due ?? throw new InputError('due', 'is missing: say to when it moves'));
            }
            if ($kind === OrderEntryKind::Delivered) {
                ($this->goods)(
                    Str::uuid()->toString(),
                    $by,
                    $locked->product,
                    GoodsMovementKind::Taken,
                    $locked->count,
                    trim("order {$locked->number} {$locked->words}"),
                );
            }
            OrderEntry::query()->create([
                'order_id' => $locked->id,
                'kind' => $kind,
                'due_at' => $kind === OrderEntryKind::Moved && $due !== null ? Seconds::moment($due) : null,
                'reason' => $reason,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    private function mustCome(float $due): void
    {
        if ($due < $this->clock->now() - 86_400) {
            throw new InputError('due', 'is over already: say a day that comes');
        }
    }
}
