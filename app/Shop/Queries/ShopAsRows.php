<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Actions\ImportFinishing;
use App\Shop\Actions\ImportOwnValues;
use App\Shop\Actions\ImportSetUps;
use App\Shop\Models\BoughtPart;
use App\Shop\Models\Finishing;
use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;

/** The shop's own machines, products and values of polymers, a row for each number, as they are read in again. */
final readonly class ShopAsRows
{
    /**
     * @param  list<int>|null  $products  their moulds and the machines that they are set up on; all unless given
     * @return array{list<string>, list<list<string|float|int|null>>}
     */
    public function machines(?array $products = null): array
    {
        $rows = [];
        $these = $products === null ? null : [
            ...Product::query()->whereKey($products)->whereNotNull('mould_id')->pluck('mould_id'),
            ...Recipe::query()->whereIn('product_id', $products)->pluck('machine_id'),
        ];
        $machines = Machine::query()->whereNull('retired_at')->with('factLog')->orderBy('name');
        foreach ($machines->when($these !== null, static fn ($q) => $q->whereKey($these))->get() as $machine) {
            $said = $machine->factLog->keyBy('name');
            foreach ($machine->facts === [] ? ['' => null] : $machine->facts as $fact => $value) {
                $newest = $said->get($fact);
                $rows[] = [
                    $machine->name,
                    $machine->kind,
                    (string) $fact,
                    $value,
                    $newest instanceof MachineFact ? $newest->origin->value : '',
                ];
            }
        }

        return [['machine', 'kind', 'fact', 'value', 'origin'], $rows];
    }

    /**
     * @param  list<int>|null  $products  all unless given
     * @return array{list<string>, list<list<string|float|int|null>>}
     */
    public function products(?array $products = null): array
    {
        // One that is retired goes nowhere else.
        $moulds = Machine::query()->whereNull('retired_at')->pluck('name', 'id');
        $rows = [];
        $all = Product::query()->orderBy('name')->when($products !== null, static fn ($q) => $q->whereKey($products));
        foreach ($all->get() as $product) {
            $mould = (string) ($moulds[$product->mould_id] ?? '');
            foreach ($product->dimensions === [] ? ['' => null] : $product->dimensions as $number => $value) {
                $rows[] = [
                    $product->name,
                    $product->process,
                    $product->polymer,
                    (string) $number,
                    $value,
                    $mould,
                    $product->note,
                ];
            }
        }

        return [['product', 'process', 'polymer', 'number', 'value', 'mould', 'note'], $rows];
    }

    /**
     * @param  list<int>|null  $products  of their polymers; all unless given
     * @return array{list<string>, list<list<string|float|int|null>>}
     */
    public function ownValues(?array $products = null): array
    {
        $rows = [];
        $of = $products === null ? null : Product::query()->whereKey($products)->pluck('polymer')->all();
        foreach (PolymerOverride::standing() as $polymer => $values) {
            if ($of !== null && ! in_array($polymer, $of, true)) {
                continue;
            }
            foreach ($values as $property => $own) {
                $rows[] = [$polymer, $property, $own->value, $own->reason];
            }
        }

        return [ImportOwnValues::NEEDED, $rows];
    }

    /**
     * What is done to products after their run, an operation after the other, a row for each part that it takes.
     *
     * @param  list<int>|null  $products  all unless given
     * @return array{list<string>, list<list<string|float|int|null>>}
     */
    public function finishing(?array $products = null): array
    {
        $rows = [];
        $names = Product::query()->pluck('name', 'id');
        $parts = BoughtPart::query()->get()->keyBy('id');
        foreach (Finishing::inForce($products)->sortBy(static fn (Finishing $f): string => (string) $names[$f->product_id]) as $of) {
            foreach ($of->operations as $o) {
                foreach ($o['uses'] === [] ? [null] : $o['uses'] as $use) {
                    $part = $use === null ? null : $parts->get($use['part_id']);
                    $rows[] = [
                        (string) $names[$of->product_id],
                        $o['title'],
                        (float) $o['minutes'],
                        $o['people'],
                        $part?->name,
                        $use['count'] ?? null,
                        $part?->reorder_at,
                        $part?->order_to,
                        $part?->comes_days,
                    ];
                }
            }
        }

        return [[...ImportFinishing::NEEDED, ...ImportFinishing::ALSO], $rows];
    }

    /**
     * The newest version of each product on each machine that there still is.
     *
     * @param  list<int>|null  $products  all unless given
     * @return array{list<string>, list<list<string|float|int|null>>}
     */
    public function setUps(?array $products = null): array
    {
        $rows = [];
        $newest = Recipe::query()->with(['product', 'machine'])
            ->whereHas('machine', static fn ($q) => $q->whereNull('retired_at'))
            ->when($products !== null, static fn ($q) => $q->whereIn('product_id', $products))
            ->orderBy('product_id')->orderBy('machine_id')->orderBy('version')
            ->get()
            ->keyBy(static fn (Recipe $r): string => "{$r->product_id} {$r->machine_id}");
        foreach ($newest as $recipe) {
            foreach ($recipe->settings as $setting => $value) {
                $rows[] = [
                    $recipe->product->name,
                    $recipe->machine->name,
                    (string) $setting,
                    is_scalar($value) ? (is_string($value) ? $value : (float) $value) : null,
                    $recipe->note,
                ];
            }
        }

        return [[...ImportSetUps::NEEDED, 'note'], $rows];
    }
}
