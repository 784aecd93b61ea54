<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\People\Models\User;
use App\Runs\Data\PlanData;
use App\Runs\Models\ProcedureVersion;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\ChangeOver;
use App\Shop\Models\Machine;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Safety\CheckResult;
use Dithermic\Core\Stock\ChargeLots;
use Illuminate\Support\Facades\DB;

/** Starts a run when the core's safety check lets it, once per id however often it is sent. */
final readonly class StartRun
{
    public function __construct(
        private Places $places,
        private Sent $sent,
        private TakeCharge $charges,
        private ChangeOver $changes,
    ) {
    }

    /**
     * @param  PlanData  $answer  what the same order was planned to
     * @param  list<array{id: string, reason: string}>  $overrides
     *
     * @throws InputError
     * @throws RunRefused with the blocks that stand
     */
    public function __invoke(
        string $id,
        User $by,
        Order $order,
        PlanData $answer,
        array $overrides,
        CarbonImmutable $at,
    ): Run {
        return DB::transaction(function () use ($id, $by, $order, $answer, $overrides, $at): Run {
            $main = $order->main() ?? throw new InputError('machines', 'choose the machine');
            // One start at a time for each machine: the second waits here and then sees the first.
            Machine::query()->whereKey(array_column($this->held($order), 'id'))->orderBy('id')->lockForUpdate()->get();
            $this->sent->as($id);
            $existing = Run::query()->find($id);
            if ($existing !== null) {
                return $existing;
            }
            $lot = $order->lots[0] ?? throw new InputError('lot_id', 'choose the lot to take the charge from');
            $safety = $answer->safety ?? throw new InputError('lot_id', 'choose the lot to take the charge from');
            $this->mustBeSafe($safety, $by, $overrides);
            $answer->plan->mustBeDoable();
            $order->mustMatchItsLot();
            $charge = $order->charge === null ? null : $this->take($order->charge, $lot);
            $this->mustBeFree($order);
            $version = ProcedureVersion::inForce($order->process, $answer->plan);
            $targets = (array) $answer->plan->targets;
            $version->procedure()->checkPlan($targets);

            $run = Run::query()->create([
                'id' => $id,
                'product_id' => $order->product->id,
                'recipe_id' => $order->recipe?->id,
                'procedure_id' => $version->id,
                'polymer' => $answer->polymer,
                'set_c' => $answer->plan->safety()['settings']['set_c'] ?? null,
                'started_by' => $by->id,
                'plan' => $targets,
                'choices' => $answer->plan->choices(),
                'setup' => [
                    'settings' => $answer->settings,
                    'origins' => $answer->origins,
                    'scale' => $order->scale,
                ] + $answer->plan->picture(),
                'safety' => [
                    'overrides' => array_map(static fn (array $o): array => $o + ['by' => $by->name], $overrides),
                    'blocks' => $safety->blocks,
                    'acknowledgements' => $safety->acknowledgements,
                    'cautions' => $safety->cautions,
                    'required_ppe' => $safety->required_ppe,
                ],
                'status' => RunState::RUNNING,
                'step' => $version->procedure()->steps()[0]->id,
                'started_at' => $at,
            ]);
            $this->station($run, $order);
            $this->load($run, $lot, $charge, $at);
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
                $run->load(['events.by', 'stations'])->state(),
            );
            $main->fill(['last_polymer' => $lot->polymer, 'last_swatch' => $lot->swatch]);
            $mould = $order->mould();
            if ($mould !== null) {
                $main->hang($mould->id);
            }
            $main->save();

            return $run;
        });
    }

    /** @param  list<array{id: string, reason: string}>  $overrides */
    private function mustBeSafe(CheckResult $safety, User $by, array $overrides): void
    {
        $ids = array_column($overrides, 'id');
        if ($ids !== [] && ! $by->isLead()) {
            throw new InputError('overrides', 'only a lead may override, in writing');
        }
        $standing = $safety->standing($ids);
        if ($standing !== []) {
            throw new RunRefused($standing);
        }
    }

    /** @return array<string, Machine> by role, what a run of it holds from its start: the main machine, and a mould that hangs */
    private function held(Order $order): array
    {
        $held = [];
        foreach ($order->process->roles() as $role) {
            $machine = $order->machines[$role->id] ?? null;
            if ($machine !== null && ($role->throughout || $role->id === $order->process->main()->id)) {
                $held[$role->id] = $machine;
            }
        }

        return $held;
    }

    private function mustBeFree(Order $order): void
    {
        foreach ($this->held($order) as $role => $machine) {
            $holder = $this->places->holder($machine);
            if ($holder !== null) {
                throw new InputError(
                    "machines.{$role}",
                    "{$machine->name} is held by run {$holder->number} until that has moved on",
                );
            }
            if ($this->changes->open($machine) !== null) {
                throw new InputError(
                    "machines.{$role}",
                    "{$machine->name} is being changed over: finish that, or give it up, first",
                );
            }
        }
    }

    private function station(Run $run, Order $order): void
    {
        foreach ($order->process->roles() as $position => $role) {
            $machine = $order->machines[$role->id] ?? null;
            if ($machine !== null) {
                $run->stations()->create([
                    'role' => $role->id,
                    'machine_id' => $machine->id,
                    'position' => $position,
                ]);
            }
        }
    }

    /** A weighed charge came off its lots at the scale already; without one the lot is drawn from as it goes in. */
    private function load(Run $run, Lot $lot, ?Charge $charge, CarbonImmutable $at): void
    {
        $run->materials()->create(['lot_id' => $lot->id]);
        if ($charge === null) {
            return;
        }
        $this->charges->load($run, $charge, $at);
    }

    /** A weighed charge goes into one run only. */
    private function take(Charge $charge, Lot $lot): Charge
    {
        $locked = Charge::query()->whereKey($charge->id)->lockForUpdate()->firstOrFail();
        ChargeLots::mustHold($locked->grams(), $lot->id, $lot->code);
        try {
            return TakeCharge::waiting($locked, $lot->polymer);
        } catch (InputError $error) {
            throw new InputError('charge_id', $error->getMessage());
        }
    }
}
