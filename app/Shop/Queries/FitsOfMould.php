<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Data\FitData;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Processes;

/** Which of the shop's machines a mould goes into, by what is known of both and of the product that is made in it. */
final readonly class FitsOfMould
{
    public function __construct(private Processes $processes)
    {
    }

    /** @return list<FitData> empty where the mould hangs nowhere, or nothing is asked of it */
    public function of(Machine $mould): array
    {
        $fits = [];
        $product = Product::query()->where('mould_id', $mould->id)->orderBy('id')->first();
        foreach ($this->processes->all() as $process) {
            if ($process->hangs($mould->kind) === null) {
                continue;
            }
            $machines = Machine::query()->whereNull('retired_at')
                ->whereIn('kind', $process->main()->kinds)
                ->orderBy('name')
                ->get();
            foreach ($machines as $machine) {
                $fit = $process->fits(
                    new Record(['name' => $machine->name] + $machine->facts),
                    new Record(['name' => $mould->name] + $mould->facts),
                    new Record($product->dimensions ?? []),
                    $product?->polymer,
                );
                if ($fit !== null) {
                    $fits[] = new FitData($machine->id, $machine->name, $fit->fits, $fit->against, $fit->unknown);
                }
            }
        }

        return $fits;
    }
}
