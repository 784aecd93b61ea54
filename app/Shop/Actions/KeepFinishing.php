<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\BoughtPart;
use App\Shop\Models\Finished;
use App\Shop\Models\Finishing;
use App\Shop\Models\PartMovement;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Shop\Support\PartMovementKind;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Says what is done to the pieces of a product after their run, and to how many it was done: these are goods from then
 * on, and the bought-in parts that it takes are gone.
 *
 * @phpstan-import-type Step from Finishing
 */
final readonly class KeepFinishing
{
    public function __construct(private Goods $goods, private Sent $sent, private ShopClock $clock)
    {
    }

    /**
     * @param  int  $after  the newest that was seen; 0 for none
     * @param  list<Step>  $operations
     * @param  int  $wait  of those that stand there, that it is still to be done to; counts where nothing was done so far
     *
     * @throws InputError where somebody else has said something since, or a part is not there
     */
    public function say(Product $product, int $after, array $operations, int $wait, User $by): void
    {
        DB::transaction(function () use ($product, $after, $operations, $wait, $by): void {
            Product::query()->whereKey($product->id)->lockForUpdate()->firstOrFail();
            $newest = Finishing::query()->where('product_id', $product->id)->orderByDesc('id')->first();
            if (($newest->id ?? 0) !== $after) {
                throw new InputError(
                    'after',
                    "is not the newest: somebody has said something of {$product->name} since",
                );
            }
            foreach ($operations as $i => $operation) {
                foreach ($operation['uses'] as $k => $use) {
                    if (BoughtPart::query()->whereKey($use['part_id'])->whereNull('retired_at')->doesntExist()) {
                        throw new InputError("operations.{$i}.uses.{$k}.part_id", 'is no part that the shop buys');
                    }
                }
            }
            if ($operations !== [] && ($newest->operations ?? []) === []) {
                $held = $this->goods->held($product);
                if ($wait > $held) {
                    throw new InputError('wait', "is more than the {$held} that stand there");
                }
                $stood = $this->goods->toFinish($product) - $wait;
                $this->add($product, Str::uuid()->toString(), $stood, 'as it stood', $by, true);
            }
            Finishing::query()->create([
                'product_id' => $product->id,
                'operations' => $operations,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /**
     * @param  int  $count  that were finished; fewer than none takes some back, with the parts that they had
     *
     * @throws InputError count, product or reason
     */
    public function finish(string $id, Product $product, int $count, string $reason, User $by): void
    {
        DB::transaction(function () use ($id, $product, $count, $reason, $by): void {
            Product::query()->whereKey($product->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $finishing = Finishing::inForce([$product->id])->get($product->id)
                ?? throw new InputError('product', 'has nothing that is done to it after its run');
            $this->mustBe($product, $count, $reason);
            foreach ($this->takes($finishing) as $part => $each) {
                $this->use($part, $each * $count, $product, $count, $each, $by);
            }
            $this->add($product, $id, $count, $reason, $by);
        });
    }

    private function mustBe(Product $product, int $count, string $reason): void
    {
        $waits = $this->goods->toFinish($product);
        $here = (int) Finished::query()->where(['product_id' => $product->id, 'stood' => false])->sum('count');
        $back = min($here, $this->goods->held($product));
        match (true) {
            $count === 0 => throw new InputError('count', 'must be at least 1, or −1 to take one back'),
            $count > $waits => throw new InputError('count', "is more than the {$waits} that wait to be finished"),
            $count < 0 && -$count > $back => throw new InputError(
                'count',
                "is more than the {$back} that were finished here",
            ),
            $count < 0 && trim($reason) === '' => throw new InputError(
                'reason',
                'is required: why they are not finished',
            ),
            default => null,
        };
    }

    /** @return array<int, int> of each part for one piece, by part in one order, so that two at once take turns */
    private function takes(Finishing $finishing): array
    {
        $takes = [];
        foreach ($finishing->operations as $operation) {
            foreach ($operation['uses'] as $use) {
                $takes[$use['part_id']] = ($takes[$use['part_id']] ?? 0) + $use['count'];
            }
        }
        ksort($takes);

        return $takes;
    }

    private function use(int $part, int $wanted, Product $product, int $pieces, int $each, User $by): void
    {
        $locked = BoughtPart::query()->whereKey($part)->lockForUpdate()->firstOrFail();
        $held = $locked->held();
        if ($wanted > $held) {
            $can = intdiv(max(0, $held), $each);
            throw new InputError(
                'count',
                "wants {$wanted} × {$locked->name}, and {$held} are there: count them, or finish "
                    .($can === 0 ? 'none' : "{$can} of {$pieces}"),
            );
        }
        PartMovement::query()->create([
            'id' => Str::uuid()->toString(),
            'part_id' => $part,
            'kind' => PartMovementKind::Used,
            'count' => -$wanted,
            'product_id' => $product->id,
            'reason' => '',
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]);
    }

    private function add(Product $product, string $id, int $count, string $reason, User $by, bool $stood = false): void
    {
        if ($count === 0) {
            return;
        }
        Finished::query()->create([
            'id' => $id,
            'product_id' => $product->id,
            'count' => $count,
            'stood' => $stood,
            'reason' => $reason,
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]);
    }
}
