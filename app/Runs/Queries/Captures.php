<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\CaptureData;
use App\Runs\Data\CapturedSetUpData;
use App\Runs\Data\OntoData;
use App\Runs\Models\CapturedSetUp;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Processes;
use Illuminate\Database\Eloquent\Builder;

/** What controllers showed at good cycles, in which units, and what that can be worked out for. */
final readonly class Captures
{
    private const SHOWN = 20;

    public function __construct(private Processes $processes)
    {
    }

    public function ofRun(Run $run): CaptureData
    {
        $class = $this->processes->get($run->product->process)->captured(new Record($run->mainMachine()->facts));

        return new CaptureData(
            $class === null ? null : (object) Schema::of($class),
            $this->shown(CapturedSetUp::query()->where('run_id', $run->id), []),
        );
    }

    /** @return list<CapturedSetUpData> the newest first */
    public function ofProduct(Product $product): array
    {
        $process = $this->processes->get($product->process);
        $onto = [];
        foreach (Machine::query()->whereNull('retired_at')->orderBy('name')->get() as $machine) {
            $facts = new Record($machine->facts);
            $as = match (true) {
                $process->takes($machine->kind) && $process->captured($facts) !== null => 'machine',
                $process->softens($facts) => 'mould',
                default => null,
            };
            if ($as !== null) {
                $onto[] = new OntoData($machine->id, $machine->name, $as);
            }
        }

        return $this->shown(CapturedSetUp::query()->where('product_id', $product->id), $onto);
    }

    public function one(CapturedSetUp $capture): CapturedSetUpData
    {
        return $this->shown(CapturedSetUp::query()->whereKey($capture->id), [])[0];
    }

    /**
     * @param  Builder<CapturedSetUp>  $of
     * @param  list<OntoData>  $onto
     * @return list<CapturedSetUpData>
     */
    private function shown(Builder $of, array $onto): array
    {
        return array_values($of->with([
            'run', 'machine', 'mould', 'by', 'product',
        ])->orderByDesc('at')->limit(self::SHOWN)->get()
            ->map(fn (CapturedSetUp $c): CapturedSetUpData => CapturedSetUpData::of(
                $c,
                $this->units($c),
                array_values(array_filter($onto, static fn (OntoData $o): bool => $o->id !== $c->machine_id)),
            ))->all());
    }

    /** @return array<string, string> by name */
    private function units(CapturedSetUp $capture): array
    {
        $class = $this->processes->get($capture->product->process)->captured(new Record($capture->machine->facts));

        return $class === null ? [] : array_map(
            static fn (mixed $field): string => (string) (((array) $field)['x-unit'] ?? ''),
            (array) Schema::of($class)['properties'],
        );
    }
}
