<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Lot;
use App\Material\Queries\Dryness;
use App\Runs\Actions\Order;
use App\Runs\Actions\PlanRun;
use App\Runs\Data\ProposalData;
use App\Runs\Models\Run;
use App\Shop\Data\GoodsData;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Shop\Queries\Goods;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Drying\PlanResult as DryPlan;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Safety\DryState;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Schedule\RunLength;
use Illuminate\Database\Eloquent\Collection;

/** What to make next: what runs short, on machines that are free soonest, of lots that may be taken. */
final readonly class Proposals
{
    public const MOST = 3;

    public function __construct(
        private Goods $goods,
        private PlanRun $plan,
        private Processes $processes,
        private PolymerLibrary $polymers,
        private Registry $calculations,
        private Dryness $dryness,
    ) {
    }

    /**
     * @param  float  $until  end of the shift, seconds since 1970 UTC
     * @return list<ProposalData> what is there soonest first; what cannot be begun last
     */
    public function of(float $until): array
    {
        $now = Seconds::now();
        $free = $this->freeAt($now);
        $standing = Machine::query()->whereNull('retired_at')->orderBy('id')->get();
        $short = array_filter($this->goods->all(), static fn (GoodsData $g): bool => $g->wants > 0);
        $products = Product::query()->whereKey(array_column($short, 'product_id'))->with('recipes')->get()->keyBy('id');
        $lots = Lot::query()->withHeld()->with('source')
            ->whereIn('polymer', $products->pluck('polymer')->unique())
            ->get()
            ->filter(static fn (Lot $lot): bool => $lot->source->state === SourceState::Accepted);
        $proposals = [];
        foreach ($short as $goods) {
            $product = $products->get($goods->product_id);
            if ($product instanceof Product) {
                $proposals[] = $this->proposal($goods, $product, $standing, $lots, $free, $now, $until);
            }
        }
        usort($proposals, static fn (ProposalData $a, ProposalData $b): int => [$a->holds !== [], $a->first_at ?? INF]
            <=> [$b->holds !== [], $b->first_at ?? INF]);

        return array_slice($proposals, 0, self::MOST);
    }

    /** @return array<int, float> when machines that are in a run will be free as far as is known, by machine */
    private function freeAt(float $now): array
    {
        $free = [];
        $runs = Run::query()->where('status', RunState::RUNNING)
            ->with(['events.by', 'stations.machine', 'product', 'procedureVersion'])->get();
        foreach ($runs as $run) {
            $stretches = $run->machineOfState()->stretches($run->state(), $now);
            $ends = max([$now, ...array_column($stretches, 'to')]);
            foreach ($run->stations as $station) {
                if ($station->to_at === null) {
                    $free[$station->machine_id] = max($free[$station->machine_id] ?? $now, $ends);
                }
            }
        }

        return $free;
    }

    /**
     * @param  Collection<int, Machine>  $standing  in use
     * @param  Collection<int, Lot>  $lots  that may be used for production
     * @param  array<int, float>  $free
     */
    private function proposal(
        GoodsData $goods,
        Product $product,
        Collection $standing,
        Collection $lots,
        array $free,
        float $now,
        float $until,
    ): ProposalData {
        $process = $this->processes->get($product->process);
        $holds = [];
        $machines = $this->machines($process, $product, $standing, $free, $holds);
        $main = $machines[$process->main()->id] ?? null;
        $recipe = $main === null ? null : $product->recipes->sortByDesc('version')->first();
        [$plan, $pieces, $perPiece] = $main === null
            ? [null, $goods->wants, 1]
            : $this->planned($process, $product, $machines, $recipe, $goods->wants, $holds);
        $procedure = $plan === null ? null : new Procedure($process->procedureFor($plan));
        $length = $plan === null || $procedure === null ? null : RunLength::of($procedure, (array) $plan->targets);
        $lot = $this->lot($lots, $product, $pieces * ($plan?->charge->mass_g ?? 0.0));
        if ($lot === null) {
            $holds[] = "no lot of {$product->polymer} of an accepted source holds enough";
        }
        $first = [];
        $begins = $this->begins($lot, $machines, $free, $now, $first, $holds);
        if ($length !== null && $length->setUpMin > 0 && $holds === [] && $main !== null) {
            $first[] = "switch {$main->name} on";
        }
        $can = $length !== null && $holds === [];

        return new ProposalData(
            $product->id,
            $product->name,
            $product->polymer,
            $goods->held,
            $goods->wants,
            $pieces,
            $procedure?->pieceName() ?? 'piece',
            $process->counts(),
            $main?->id,
            $main?->name,
            $lot?->code,
            $can ? $begins + 60 * $length->untilFirst() : null,
            $can ? $begins + 60 * $length->whole($pieces) : null,
            $can ? min($goods->wants, $perPiece * min($pieces, $length->within(($until - $begins) / 60))) : 0,
            $first,
            $holds,
        );
    }

    /**
     * For each role the machine of its kind that is free soonest; its usual mould.
     *
     * @param  Collection<int, Machine>  $standing
     * @param  array<int, float>  $free
     * @param  list<string>  $holds
     * @return array<string, Machine>
     */
    private function machines(
        Definition $process,
        Product $product,
        Collection $standing,
        array $free,
        array &$holds,
    ): array {
        $machines = [];
        foreach ($process->roles() as $role) {
            $fit = $standing->filter(static fn (Machine $m): bool => $role->takes($m->kind));
            if ($role->throughout) {
                $fit = $fit->where('id', $product->mould_id);
            }
            $soonest = $fit->sortBy(static fn (Machine $m): float => $free[$m->id] ?? 0.0)->first();
            if ($soonest !== null) {
                $machines[$role->id] = $soonest;
            } elseif ($role->required) {
                $holds[] = "there is no {$role->title}";
            }
        }

        return $machines;
    }

    /**
     * @param  array<string, Machine>  $machines
     * @param  list<string>  $holds
     * @return array{Plan|null, int, int} the plan, pieces, and goods that a piece gives
     */
    private function planned(
        Definition $process,
        Product $product,
        array $machines,
        ?Recipe $recipe,
        int $wants,
        array &$holds,
    ): array {
        $pieces = $wants;
        $perPiece = 1;
        try {
            $plan = ($this->plan)(new Order($process, $product, $machines, $recipe))->plan;
            $perPiece = max(1, (int) ($plan->targets->parts_per_piece ?? 1));
            $pieces = (int) ceil($wants / $perPiece);
            if ($process->counts() !== null && $pieces > 1) {
                $settings = [$process->counts() => (float) $pieces];
                $plan = ($this->plan)(new Order($process, $product, $machines, $recipe, $settings))->plan;
            }
            $plan->mustBeDoable();
        } catch (InputError $error) {
            $holds[] = $error->getMessage();

            return [null, $pieces, $perPiece];
        }

        return [$plan, $pieces, $perPiece];
    }

    /**
     * The lot that holds most, dry ones first, of those that nobody keeps for something else.
     *
     * @param  Collection<int, Lot>  $lots
     * @param  float  $needG  for all that are wanted
     */
    private function lot(Collection $lots, Product $product, float $needG): ?Lot
    {
        $may = $lots->filter(static fn (Lot $lot): bool => $lot->polymer === $product->polymer
            && in_array($lot->reserved_for_id, [null, $product->id], true)
            && (float) $lot->held_g >= max(1.0, $needG));

        return $may->sortByDesc(fn (Lot $lot): array => [
            $this->dryness->state($lot) === DryState::Dry,
            (float) $lot->held_g,
        ])->first();
    }

    /**
     * When it could be begun: machines free, material dry.
     *
     * @param  array<string, Machine>  $machines
     * @param  array<int, float>  $free
     * @param  list<string>  $first  what has to be done now
     * @param  list<string>  $holds
     */
    private function begins(
        ?Lot $lot,
        array $machines,
        array $free,
        float $now,
        array &$first,
        array &$holds,
    ): float {
        $begins = max([$now, ...array_values(array_map(
            static fn (Machine $m): float => $free[$m->id] ?? $now,
            $machines,
        ))]);
        $busy = array_filter($machines, static fn (Machine $m): bool => ($free[$m->id] ?? $now) > $now);
        foreach ($busy as $machine) {
            $first[] = "wait for {$machine->name}";
        }
        if ($lot === null || ! $this->polymers->get($lot->polymer)->mustBeDried()) {
            return $begins;
        }
        if ($this->dryness->state($lot) === DryState::Dry) {
            return $begins;
        }
        $dry = $this->calculations->run('dry.plan', [
            'polymer' => $lot->polymer,
            'start' => Seconds::moment($now)->toIso8601String(),
        ]);
        assert($dry instanceof DryPlan);
        if ($dry->hours === null) {
            $holds[] = $dry->because;

            return $begins;
        }
        $first[] = sprintf('dry %s for %.0f h', $lot->code, $dry->hours);

        return max($begins, $now + 3600 * $dry->hours);
    }
}
