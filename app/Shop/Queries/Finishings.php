<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Data\OperationData;
use App\Shop\Data\PartData;
use App\Shop\Data\PartUseData;
use App\Shop\Models\BoughtPart;
use App\Shop\Models\Finishing;
use App\Shop\Models\PartMovement;
use App\Shop\Models\Product;
use Dithermic\Core\Finishing\Operation;
use Dithermic\Core\Finishing\PartHeld;
use Dithermic\Core\Finishing\PartUse;
use Dithermic\Core\Finishing\Work;
use Dithermic\Core\Finishing\WorkInput;
use Dithermic\Core\Finishing\WorkResult;
use Illuminate\Database\Eloquent\Collection;

/** What finishing takes of hands and of the bought-in parts as they stand now, and what of these is to be ordered. */
final readonly class Finishings
{
    /**
     * @param  Collection<int, BoughtPart>  $parts  by id
     * @param  array<int, int>  $held  by part
     */
    private function __construct(private Collection $parts, private array $held)
    {
    }

    public static function now(): self
    {
        return new self(
            BoughtPart::query()->orderBy('name')->get()->keyBy('id'),
            PartMovement::query()->groupBy('part_id')->selectRaw('part_id, sum(count) as held')
                ->toBase()->pluck('held', 'part_id')->map(intval(...))->all(),
        );
    }

    public function work(Finishing $finishing, int $pieces): WorkResult
    {
        $named = fn (int $id): string => $this->parts->get($id)->name ?? "part {$id}";

        return (new Work)(new WorkInput(
            $pieces,
            array_map(static fn (array $o): Operation => new Operation(
                $o['title'],
                (float) $o['minutes'],
                $o['people'],
                array_map(static fn (array $u): PartUse => new PartUse($named($u['part_id']), $u['count']), $o['uses']),
            ), $finishing->operations),
            array_values($this->parts->map(fn (BoughtPart $p): PartHeld => new PartHeld(
                $p->name,
                max(0, $this->held[$p->id] ?? 0),
                $p->reorder_at,
                $p->order_to,
            ))->all()),
        ));
    }

    /** @return list<OperationData> */
    public function told(Finishing $finishing): array
    {
        return array_map(fn (array $o): OperationData => new OperationData(
            $o['title'],
            (float) $o['minutes'],
            $o['people'],
            array_map(fn (array $u): PartUseData => new PartUseData(
                $u['part_id'],
                $this->parts->get($u['part_id'])->name ?? '',
                $u['count'],
            ), $o['uses']),
        ), $finishing->operations);
    }

    /** @return list<PartData> what is to be ordered first, then by name */
    public function parts(): array
    {
        $used = [];
        $products = Product::query()->pluck('name', 'id');
        foreach (Finishing::inForce() as $finishing) {
            foreach (array_merge(...array_column($finishing->operations, 'uses')) as $use) {
                $used[$use['part_id']][$finishing->product_id] = (string) $products[$finishing->product_id];
            }
        }
        $parts = array_values($this->parts->map(fn (BoughtPart $p): PartData => new PartData(
            $p->id,
            $p->name,
            $this->held[$p->id] ?? 0,
            $p->reorder_at,
            $p->order_to,
            $p->comes_days,
            $p->retired_at !== null ? 0 : Work::order(
                new PartHeld($p->name, 0, $p->reorder_at, $p->order_to),
                $this->held[$p->id] ?? 0,
            ),
            array_values($used[$p->id] ?? []),
            $p->retired_at !== null,
            $p->revision,
        ))->all());
        usort($parts, static fn (PartData $a, PartData $b): int => [$a->retired, $b->order > 0, $a->name]
            <=> [$b->retired, $a->order > 0, $b->name]);

        return $parts;
    }
}
