<?php

declare(strict_types=1);

namespace App\Actions;

use App\Data\PressPlanData;
use App\Models\Charge;
use App\Models\Lot;
use App\Models\Machine;
use App\Models\ProcedureVersion;
use App\Models\Product;
use App\Models\Recipe;
use App\Models\Run;
use App\Models\RunEvent;
use App\Models\User;
use App\Support\Places;
use App\Support\RunRefused;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Stock\ChargeLots;
use Illuminate\Support\Facades\DB;

/** Starts a run when the core's safety check lets it, once per id however often it is sent. */
final readonly class StartRun
{
    public function __construct(private Places $places, private Sent $sent)
    {
    }

    /**
     * @param  list<array{id: string, reason: string}>  $overrides
     *
     * @throws InputError
     * @throws RunRefused with the blocks that stand
     */
    public function __invoke(
        string $id,
        User $by,
        Product $product,
        Machine $machine,
        ?Machine $cold,
        ?Recipe $recipe,
        Lot $lot,
        PressPlanData $answer,
        string $scale,
        array $overrides,
        CarbonImmutable $at,
        ?Charge $charge = null,
    ): Run {
        return DB::transaction(function () use (
            $id,
            $by,
            $product,
            $machine,
            $cold,
            $recipe,
            $lot,
            $answer,
            $scale,
            $overrides,
            $at,
            $charge,
        ): Run {
            // One start at a time for each machine: the second waits here and then sees the first.
            Machine::query()->whereKey($machine->id)->lockForUpdate()->firstOrFail();
            $this->sent->as($id);
            $existing = Run::query()->find($id);
            if ($existing !== null) {
                return $existing;
            }
            $safety = $answer->safety ?? throw new InputError('lot_id', 'choose the lot to take the charge from');
            $ids = array_column($overrides, 'id');
            if ($ids !== [] && ! $by->isLead()) {
                throw new InputError('overrides', 'only a lead may override, in writing');
            }
            $standing = $safety->standing($ids);
            if ($standing !== []) {
                throw new RunRefused($standing);
            }
            if ($lot->polymer !== $answer->polymer) {
                throw new InputError(
                    'lot_id',
                    "lot {$lot->code} is {$lot->polymer}, and this is set up for {$answer->polymer}",
                );
            }
            /** @var array<string, float|null> $plan */
            $plan = (array) $answer->plan;
            $charge = $charge === null ? null : $this->take($charge, $lot);
            $holder = $this->places->holder($machine);
            if ($holder !== null) {
                throw new InputError(
                    'machine_id',
                    "{$machine->name} is held by run {$holder->number} until its sheet has moved on",
                );
            }
            $version = ProcedureVersion::shipped('compression');
            $version->procedure()->checkPlan((array) $answer->plan);

            $run = Run::query()->create([
                'id' => $id,
                'product_id' => $product->id,
                'recipe_id' => $recipe?->id,
                'procedure_id' => $version->id,
                'machine_id' => $machine->id,
                'cold_machine_id' => $cold?->id,
                'lot_id' => $lot->id,
                'charge_id' => $charge?->id,
                'started_by' => $by->id,
                'plan' => (array) $answer->plan,
                'choices' => (array) $answer->choices,
                'setup' => [
                    'settings' => $answer->settings, 'origins' => $answer->origins, 'scale' => $scale, 'curve' => $answer->cycle->curve, 'turn_min' => $answer->cycle->heat_min + $answer->cycle->soak_min, 'heat_input' => $answer->heat_input, 'model' => [
                        'heat_min' => $answer->cycle->heat_min,
                        'soak_min' => $answer->cycle->soak_min,
                        'cool_min' => $answer->cycle->cool_min,
                        'platen_min_c' => $answer->cycle->platen_min_c,
                        'cold_platen_end_c' => $answer->cycle->cold_platen_end_c,
                        'consolidated_min' => $answer->cycle->consolidated_min,
                    ],
                    'timing' => $answer->timing->rules,
                ],
                'safety' => ['overrides' => array_map(
                    static fn (array $o): array => $o + ['by' => $by->name],
                    $overrides,
                ), 'blocks' => $safety->blocks,
                    'acknowledgements' => $safety->acknowledgements,
                    'cautions' => $safety->cautions,
                    'required_ppe' => $safety->required_ppe],
                'status' => RunState::RUNNING, 'step' => $version->procedure()->steps()[0]->id, 'started_at' => $at,
            ]);
            RunEvent::query()->create([
                'run_id' => $id,
                'seq' => 1,
                'key' => "start-{$id}",
                'type' => EventType::Started,
                'at' => $at,
                'by_id' => $by->id,
                'data' => ['answers' => $safety->acknowledgements, 'overrides' => $overrides],
                'recorded_at' => CarbonImmutable::now(),
            ]);
            $this->places->keep(
                $run->setRelation('procedureVersion', $version),
                $version->procedure(),
                $run->load('events.by')->state(),
            );
            $machine->update(['last_polymer' => $lot->polymer]);
            $charge?->update(['status' => Charge::USED, 'run_id' => $id, 'closed_at' => $at]);

            return $run;
        });
    }

    /** A weighed charge goes into one run only. */
    private function take(Charge $charge, Lot $lot): Charge
    {
        $locked = Charge::query()->whereKey($charge->id)->lockForUpdate()->firstOrFail();

        ChargeLots::mustHold($locked->grams(), $lot->id, $lot->code);

        return match (true) {
            $locked->status !== Charge::WAITING => throw new InputError(
                'charge_id',
                sprintf('charge C-%04d is %s: take another', $locked->number, $locked->status),
            ),
            $locked->polymer !== $lot->polymer => throw new InputError(
                'charge_id',
                sprintf(
                    'charge C-%04d is %s, and this is set up for %s',
                    $locked->number,
                    $locked->polymer,
                    $lot->polymer,
                ),
            ),
            default => $locked,
        };
    }
}
