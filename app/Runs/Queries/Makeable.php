<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Lot;
use App\Material\Queries\Dryness;
use App\Runs\Actions\Order;
use App\Runs\Actions\PlanRun;
use App\Runs\Models\ProcedureVersion;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Safety\DryState;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Schedule\RunLength;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Cache;

/**
 * What it takes to make some of a product now: machines that are free soonest, a plan, a lot that may be taken, when it
 * begins.
 */
final class Makeable
{
    /** a plan is kept for so long where nothing is otherwise, s */
    private const KEPT_S = 900;

    /** @var array<int, float>|null when machines that are in a run will be free, by machine */
    private ?array $free = null;

    /** newest own value of a polymer */
    private ?int $overridden = null;

    /** @var Collection<int, Machine>|null in use */
    private ?Collection $standing = null;

    /** @var array<string, Collection<int, Lot>> that may be used for production, by polymer */
    private array $lots = [];

    /** @var array<string, Procedure> as the shop works them, by id */
    private array $procedures = [];

    public function __construct(
        private readonly PlanRun $plan,
        private readonly Processes $processes,
        private readonly Dryness $dryness,
    ) {
    }

    /** @param  int  $wants  of the product */
    public function of(Product $product, int $wants, float $now): ToMake
    {
        $process = $this->processes->get($product->process);
        $holds = [];
        $machines = $this->machines($process, $product, $holds, $now);
        $main = $machines[$process->main()->id] ?? null;
        $recipe = $main === null
            ? null
            : $product->recipes->where('machine_id', $main->id)->sortByDesc('version')->first();
        $planned = $main === null ? null : $this->planned($process, $product, $machines, $recipe, $wants);
        $pieces = $planned['pieces'] ?? $wants;
        if (isset($planned['fault'])) {
            $holds[] = $planned['fault'];
        }
        $lot = $this->lot($product, $pieces * ($planned['charge_g'] ?? 0.0));
        if ($lot === null) {
            $holds[] = "no lot of {$product->polymer} of an accepted source holds enough";
        }
        $first = [];
        $begins = $this->begins($lot, $machines, $now, $first, $holds);

        return new ToMake(
            $process,
            $machines,
            $main,
            $planned['targets'] ?? null,
            isset($planned['procedure']) ? $this->procedure($process, $planned['procedure']) : null,
            $pieces,
            $planned['per_piece'] ?? 1,
            $lot,
            $begins,
            $first,
            $holds,
        );
    }

    /** @return array<int, float> when machines that are in a run will be free as far as is known, by machine */
    public function freeAt(float $now): array
    {
        if ($this->free !== null) {
            return $this->free;
        }
        $free = [];
        $runs = Run::query()->where('status', RunState::RUNNING)
            ->with(['events.by', 'stations.machine', 'product', 'procedureVersion'])->get();
        foreach ($runs as $run) {
            $stretches = $run->machineOfState()->stretches($run->state(), $now);
            $ends = max([$now, ...array_column($stretches, 'to')]) + 60 * self::toComeMin($run);
            foreach ($run->stations as $station) {
                if ($station->to_at === null) {
                    $free[$station->machine_id] = max($free[$station->machine_id] ?? $now, $ends);
                }
            }
        }

        return $this->free = $free;
    }

    /**
     * Minutes for the pieces of a run that nobody has begun yet, and its closing: its stretches know only what is under
     * way.
     */
    private static function toComeMin(Run $run): float
    {
        $procedure = $run->procedureVersion->procedure();
        if (! $procedure->hasPieces() || $run->state()->closing) {
            return 0.0;
        }
        $length = RunLength::of($procedure, $run->plan);
        $left = max(0, (int) ($run->plan['pieces'] ?? 1) - count($run->state()->pieces));

        return $left * $length->eachMin + $length->closingMin;
    }

    /** @return Collection<int, Machine> in use */
    public function standing(): Collection
    {
        return $this->standing ??= Machine::query()->whereNull('retired_at')->orderBy('id')->get();
    }

    /**
     * For each role the machine of its kind that is free soonest; its usual mould.
     *
     * @param  list<string>  $holds
     * @return array<string, Machine>
     */
    private function machines(Definition $process, Product $product, array &$holds, float $now): array
    {
        $machines = [];
        $free = $this->freeAt($now);
        foreach ($process->roles() as $role) {
            $fit = $this->standing()->filter(static fn (Machine $m): bool => $role->takes($m->kind));
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

    private function procedure(Definition $process, string $id): Procedure
    {
        return $this->procedures[$id] ??= new Procedure(ProcedureVersion::bodyInForce(
            array_column($process->procedures(), null, 'id')[$id] ?? $process->procedure(),
        ));
    }

    /**
     * The plan of so many, as it was reckoned before where nothing is otherwise: a plan is physics, and a day asks for
     * many.
     *
     * @param  array<string, Machine>  $machines
     * @return array{targets: array<string, float|int|string|null>|null, charge_g: float, pieces: int, per_piece: int,
     *     procedure: string|null, fault: string|null}
     */
    private function planned(Definition $process, Product $product, array $machines, ?Recipe $recipe, int $wants): array
    {
        $asked = [
            $process->id(), $product->polymer, $product->dimensions, $recipe?->id, $wants,
            array_map(static fn (Machine $m): array => [$m->id, $m->kind, $m->facts], $machines),
            $this->overridden ??= (int) PolymerOverride::query()->max('id'),
        ];
        $key = 'to-make:'.hash('sha256', json_encode($asked, JSON_THROW_ON_ERROR));

        return Cache::remember(
            $key,
            self::KEPT_S,
            fn (): array => $this->reckoned($process, $product, $machines, $recipe, $wants),
        );
    }

    /**
     * @param  array<string, Machine>  $machines
     * @return array{targets: array<string, float|int|string|null>|null, charge_g: float, pieces: int, per_piece: int,
     *     procedure: string|null, fault: string|null}
     */
    private function reckoned(
        Definition $process,
        Product $product,
        array $machines,
        ?Recipe $recipe,
        int $wants,
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
            return [
                'targets' => null, 'charge_g' => 0.0, 'pieces' => $pieces, 'per_piece' => $perPiece,
                'procedure' => null,
                'fault' => $error->getMessage(),
            ];
        }
        /** @var array<string, float|int|string|null> $targets */
        $targets = (array) $plan->targets;

        return [
            'targets' => $targets, 'charge_g' => $plan->charge->mass_g, 'pieces' => $pieces, 'per_piece' => $perPiece,
            'procedure' => (string) $process->procedureFor($plan)['id'], 'fault' => null,
        ];
    }

    /**
     * The lot that holds most, dry ones first, of those that nobody keeps for something else.
     *
     * @param  float  $needG  for all that are wanted
     */
    private function lot(Product $product, float $needG): ?Lot
    {
        $lots = $this->lots[$product->polymer] ??= Lot::query()->withHeld()->with('source')
            ->where('polymer', $product->polymer)
            ->get()
            ->filter(static fn (Lot $lot): bool => $lot->source->state === SourceState::Accepted);
        $may = $lots->filter(static fn (Lot $lot): bool => in_array($lot->reserved_for_id, [null, $product->id], true)
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
     * @param  list<string>  $first  what has to be done now
     * @param  list<string>  $holds
     */
    private function begins(?Lot $lot, array $machines, float $now, array &$first, array &$holds): float
    {
        $free = $this->freeAt($now);
        $begins = max([$now, ...array_values(array_map(
            static fn (Machine $m): float => $free[$m->id] ?? $now,
            $machines,
        ))]);
        $busy = array_filter($machines, static fn (Machine $m): bool => ($free[$m->id] ?? $now) > $now);
        foreach ($busy as $machine) {
            $first[] = "wait for {$machine->name}";
        }
        $dry = $lot === null ? null : $this->dryness->wants($lot, Seconds::moment($now));
        if ($lot === null || $dry === null) {
            return $begins;
        }
        if ($dry->hours === null) {
            $holds[] = $dry->because;

            return $begins;
        }
        $first[] = sprintf('dry %s for %.0f h', $lot->code, $dry->hours);

        return max($begins, $now + 3600 * $dry->hours);
    }
}
