<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Actions\ImportOwnValues;
use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;

/** The shop's own machines, products and values of polymers, a row for each number, as they are read in again. */
final readonly class ShopAsRows
{
    /** @return array{list<string>, list<list<string|float|int|null>>} */
    public function machines(): array
    {
        $rows = [];
        foreach (Machine::query()->whereNull('retired_at')->with('factLog')->orderBy('name')->get() as $machine) {
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

    /** @return array{list<string>, list<list<string|float|int|null>>} */
    public function products(): array
    {
        $moulds = Machine::query()->pluck('name', 'id');
        $rows = [];
        foreach (Product::query()->orderBy('name')->get() as $product) {
            $mould = $product->mould_id === null ? '' : (string) $moulds[$product->mould_id];
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

    /** @return array{list<string>, list<list<string|float|int|null>>} */
    public function ownValues(): array
    {
        $rows = [];
        foreach (PolymerOverride::standing() as $polymer => $values) {
            foreach ($values as $property => $own) {
                $rows[] = [$polymer, $property, $own->value, $own->reason];
            }
        }

        return [ImportOwnValues::NEEDED, $rows];
    }
}
