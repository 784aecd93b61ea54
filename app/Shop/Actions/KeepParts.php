<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\BoughtPart;
use App\Shop\Models\Finishing;
use App\Shop\Models\PartMovement;
use App\Shop\Models\Product;
use App\Shop\Support\PartMovementKind;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Finishing\PartHeld;
use Dithermic\Core\Finishing\Work;
use Illuminate\Support\Facades\DB;

/** Parts that the shop buys: which, when they are ordered, how many came and how many are there. */
final readonly class KeepParts
{
    public function __construct(private Sent $sent, private ShopClock $clock)
    {
    }

    /**
     * @param  array{name: string, reorder_at: int|null, order_to: int|null, comes_days: int|null, retired: bool}  $said
     * @param  int|null  $after  the revision that was seen; null for a new one
     *
     * @throws InputError by field
     */
    public function say(?BoughtPart $part, array $said, ?int $after): BoughtPart
    {
        Work::order(Reader::read(PartHeld::class, [
            'part' => $said['name'], 'held' => 0, 'reorder_at' => $said['reorder_at'], 'order_to' => $said['order_to'],
        ]), 0);

        return DB::transaction(function () use ($part, $said, $after): BoughtPart {
            $locked = $part === null
                ? new BoughtPart(['revision' => 0])
                : BoughtPart::query()->whereKey($part->id)->lockForUpdate()->firstOrFail();
            if ($part !== null && $locked->revision !== $after) {
                throw new InputError(
                    'after_revision',
                    "is not the newest: somebody has changed {$locked->name} meanwhile",
                );
            }
            $others = BoughtPart::query()
                ->whereRaw('lower(name) = lower(?)', [$said['name']])
                ->whereKeyNot($locked->id ?? 0);
            if ($others->exists()) {
                throw new InputError('name', "is there already: {$said['name']}");
            }
            if ($said['retired'] && $part !== null) {
                $this->mustBeFree($part);
            }
            $locked->fill([
                'name' => $said['name'],
                'reorder_at' => $said['reorder_at'],
                'order_to' => $said['order_to'],
                'comes_days' => $said['comes_days'],
                'retired_at' => $said['retired'] ? ($locked->retired_at ?? $this->clock->moment()) : null,
                'revision' => $locked->revision + 1,
            ])->save();

            return $locked;
        });
    }

    /**
     * @param  int  $count  came: so many; counted: so many are there
     *
     * @throws InputError by field
     */
    public function move(
        string $id,
        BoughtPart $part,
        PartMovementKind $kind,
        int $count,
        string $reason,
        User $by,
    ): void {
        DB::transaction(function () use ($id, $part, $kind, $count, $reason, $by): void {
            $locked = BoughtPart::query()->whereKey($part->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            if ($kind === PartMovementKind::Came && $count < 1) {
                throw new InputError('count', 'must be at least 1 that came');
            }
            $change = $kind === PartMovementKind::Came ? $count : $count - $locked->held();
            if ($kind === PartMovementKind::Counted && $change !== 0 && trim($reason) === '') {
                throw new InputError('reason', 'is required: what stands there differs by '.abs($change));
            }
            PartMovement::query()->create([
                'id' => $id,
                'part_id' => $locked->id,
                'kind' => $kind,
                'count' => $change,
                'reason' => $reason,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    private function mustBeFree(BoughtPart $part): void
    {
        foreach (Finishing::inForce() as $finishing) {
            $uses = array_column(array_merge(...array_column($finishing->operations, 'uses')), 'part_id');
            if (in_array($part->id, $uses, true)) {
                $name = Product::query()->whereKey($finishing->product_id)->value('name');
                throw new InputError('retired', "cannot be: {$name} is finished with it");
            }
        }
    }
}
