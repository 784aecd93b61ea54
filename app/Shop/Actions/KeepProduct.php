<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\DB;

/** Keeps what the shop makes: a new product, or a change of one that nobody has changed meanwhile. */
final readonly class KeepProduct
{
    public function __construct(private Processes $processes, private PolymerLibrary $polymers)
    {
    }

    /**
     * @param  array{name: string, process: string, polymer: string, dimensions: array<array-key, mixed>, note: string, mould_id: int|null}  $said
     *
     * @throws InputError by field
     */
    public function create(array $said): Product
    {
        return DB::transaction(function () use ($said): Product {
            $this->mustBeNew($said['name'], null);

            return Product::query()->create($this->fitting($said, []))->refresh();
        });
    }

    /**
     * @param  int  $after  the revision that was seen
     * @param  array{name: string, process: string, polymer: string, dimensions: array<array-key, mixed>, note: string, mould_id: int|null}  $said
     *
     * @throws InputError by field
     */
    public function change(Product $product, int $after, array $said): Product
    {
        return DB::transaction(function () use ($product, $after, $said): Product {
            $locked = Product::query()->whereKey($product->id)->lockForUpdate()->firstOrFail();
            if ($locked->revision !== $after) {
                throw new InputError(
                    'after_revision',
                    "is not the newest: somebody has changed {$locked->name} meanwhile, look at it first",
                );
            }
            if ($locked->process !== $said['process']) {
                throw new InputError('process', 'of a product stays: enter the other as a product of its own');
            }
            $this->mustBeNew($said['name'], $locked->id);
            $locked->update($this->fitting($said, $locked->dimensions) + ['revision' => $after + 1]);

            return $locked;
        });
    }

    /**
     * @param  array{name: string, process: string, polymer: string, dimensions: array<array-key, mixed>, note: string, mould_id: int|null}  $said
     * @param  array<string, mixed>  $had  dimensions that it has
     * @return array<string, mixed>
     */
    private function fitting(array $said, array $had): array
    {
        $process = $this->processes->get($said['process']);
        $polymer = $this->polymers->get($said['polymer']);
        $why = $process->whyNot($polymer);
        if ($why !== null) {
            throw new InputError('polymer', $why);
        }
        try {
            $process->mustFit($said['dimensions'], $had);
        } catch (InputError $error) {
            throw $error->under('dimensions');
        }
        $this->mustTake($process, $said['mould_id']);
        $dimensions = array_filter($said['dimensions'], static fn (mixed $value): bool => $value !== null);

        return ['dimensions' => $dimensions] + $said;
    }

    /** @throws InputError mould_id, when what is named is no mould of this process */
    private function mustTake(Definition $process, ?int $mouldId): void
    {
        if ($mouldId === null) {
            return;
        }
        $mould = Machine::query()->whereKey($mouldId)->firstOrFail();
        if ($process->hangs($mould->kind) === null) {
            throw new InputError('mould_id', "{$mould->name} is no mould for this: choose another");
        }
    }

    private function mustBeNew(string $name, ?int $except): void
    {
        // One at a time, so that the same name sent twice is seen.
        DB::select('select pg_advisory_xact_lock(hashtext(?))', ["product {$name}"]);
        $there = Product::query()->where('name', $name)
            ->when($except !== null, static fn ($q) => $q->where('id', '!=', $except));
        if ($there->exists()) {
            throw new InputError('name', "there is a product called {$name} already");
        }
    }
}
