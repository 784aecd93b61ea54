<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Data\HeatMarksData;
use App\Shop\Data\MachineData;
use App\Shop\Data\PolymerData;
use App\Shop\Data\ProcessData;
use App\Shop\Data\ProductData;
use App\Shop\Data\RecipeData;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Shop\Support\TrimTemplate;
use App\Support\Seconds;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Data\Range;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Timer;
use Dithermic\Core\Safety\MaterialRules;

/** What the shop is as the Data classes that go over the wire. */
final readonly class PresentShop
{
    public function __construct(
        private PolymerLibrary $polymers,
        private Processes $processes,
    ) {
    }

    /** Temperatures at which a polymer changes, and between which a process works it. */
    public function marks(string $code, ?Definition $process = null): HeatMarksData
    {
        $polymer = $this->polymers->has($code) ? $this->polymers->get($code) : null;
        $window = $polymer === null ? null : $process?->window($polymer);

        // A semi-crystalline polymer is stiff far above its glass transition: what counts there is the start of
        // melting.
        $softens = $polymer?->property('tm_c') === null ? $polymer?->property('tg_c') : $polymer->property('tm_c') - 15;

        return new HeatMarksData(
            $softens,
            $polymer?->property('tm_c'),
            $polymer?->property('no_flow_c') ?? $polymer?->property('tc_c'),
            $polymer?->property('demould_c'),
            $window?->min,
            $window?->typical,
            $window?->max,
            $polymer?->ceiling(),
        );
    }

    public function polymer(Polymer $polymer): PolymerData
    {
        return new PolymerData(
            $polymer->code,
            $polymer->name(),
            $polymer->morphology()?->value,
            $polymer->property('density_g_cm3'),
            $polymer->property('bulk_density_g_cm3'),
            $this->marks($polymer->code),
            $polymer->hazards(),
            (object) $this->byProcess(static fn (Definition $p): ?string => $p->whyNot($polymer)),
            $polymer->overridden,
            (object) $this->byProcess(
                static fn (Definition $p): ?string => $polymer->process($p->id())->mayText('note'),
            ),
            (object) $this->byProcess(static fn (Definition $p): ?Range => $p->window($polymer)),
            $polymer->mostRegrindPct(),
            $polymer->regrindNote(),
            $polymer->neverHot(),
        );
    }

    /**
     * @template T
     *
     * @param  callable(Definition): (T|null)  $says
     * @return array<string, T> by process, where it says something
     */
    private function byProcess(callable $says): array
    {
        $said = [];
        foreach ($this->processes->all() as $process) {
            $said[$process->id()] = $says($process);
        }

        return array_filter($said, static fn (mixed $it): bool => $it !== null);
    }

    public function process(Definition $process): ProcessData
    {
        $procedure = new Procedure($process->procedure());

        return new ProcessData(
            $process->id(),
            $process->title(),
            $process->counts(),
            $procedure->pieceName(),
            $process->roles(),
            MaterialRules::formsOf($process->dangers()),
            $process->figures(),
            array_map(
                static fn (Timer $t): array => ['id' => $t->id, 'title' => $t->title, 'kind' => $t->kind],
                $procedure->timers(),
            ),
            (object) $procedure->body['schools'],
            (object) Schema::of($process->settings()),
        );
    }

    public function machine(Machine $machine, ?string $runningRun = null): MachineData
    {
        return new MachineData(
            $machine->id,
            $machine->name,
            $machine->kind,
            (object) $machine->facts,
            $machine->last_polymer,
            $runningRun,
            $machine->retired_at !== null,
        );
    }

    public function recipe(Recipe $recipe): RecipeData
    {
        return new RecipeData(
            $recipe->id,
            $recipe->version,
            (object) $recipe->settings,
            $recipe->note,
            $recipe->by->name,
            Seconds::of($recipe->created_at),
        );
    }

    private function templateSheets(Product $product): ?int
    {
        $outline = $this->processes->get($product->process)->outline(new Record($product->dimensions));
        $sheets = $outline === null ? 0 : count(TrimTemplate::tiles($outline));

        return $sheets === 0 || $sheets > TrimTemplate::MOST_TILES ? null : $sheets;
    }

    public function product(Product $product, ?Recipe $recipe): ProductData
    {
        return new ProductData(
            $product->id,
            $product->name,
            $product->process,
            $product->polymer,
            (object) $product->dimensions,
            $product->note,
            $recipe === null ? null : $this->recipe($recipe),
            $product->revision,
            $product->mould_id,
            $this->templateSheets($product),
        );
    }
}
