<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Lot;
use App\Runs\Actions\Order;
use App\Runs\Actions\PlanRun;
use App\Runs\Actions\RunRefused;
use App\Runs\Data\OtherLotData;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use App\Runs\Models\RunStation;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Safety\Block;
use Dithermic\Core\Stock\OneContainer;

/** Lots that a run under way could go over to, each asked of the safety rules as the run's own was. */
final readonly class OtherLots
{
    private const MOST = 20;

    /** what is left of a lot that is none, g */
    private const NOTHING_G = 0.5;

    public function __construct(private Processes $processes, private PlanRun $plan)
    {
    }

    /** @return list<OtherLotData> those that may go in first, then the fullest */
    public function of(Run $run): array
    {
        $now = $run->materialAt(Seconds::now(), $run->state())->lot_id;
        $lots = Lot::query()->withHeld()->with('source')->where('polymer', $run->polymer)->whereKeyNot($now)
            ->orderByDesc('held_g')->limit(self::MOST)->get()
            ->filter(static fn (Lot $lot): bool => (float) $lot->held_g > self::NOTHING_G);
        if ($lots->isEmpty()) {
            return [];
        }
        $plan = $this->planned($run);

        return array_values($lots->map(fn (Lot $lot): OtherLotData => new OtherLotData(
            $lot->id,
            $lot->code,
            $lot->colour,
            $lot->swatch,
            $lot->form,
            $lot->location,
            round((float) $lot->held_g, 1),
            $lot->source->name,
            array_map(static fn (Block $block): string => $block->because, $this->stops($run, $plan, $lot)),
        ))->sortBy(static fn (OtherLotData $lot): int => $lot->stops === [] ? 0 : 1)->all());
    }

    /**
     * @param  Lot  $lot  with what it holds
     *
     * @throws InputError lot_id, where it is of another polymer, or empty
     * @throws RunRefused with what stops it from going in
     */
    public function mustGoIn(Run $run, Lot $lot): void
    {
        $this->order($run, [$lot])->mustMatchItsLot();
        if ((float) $lot->held_g <= self::NOTHING_G) {
            throw new InputError('lot_id', "{$lot->code} is empty");
        }
        $stops = $this->stops($run, $this->planned($run), $lot);
        if ($stops !== []) {
            throw new RunRefused($stops);
        }
    }

    /** @return list<Block> */
    private function stops(Run $run, Plan $plan, Lot $lot): array
    {
        $order = $this->order($run, [$lot]);
        $before = $run->materials->map(static fn (RunMaterial $m): array => [
            'source' => $m->lot->source->state,
            'generation' => $m->lot->generation,
        ])->all();
        $container = $order->process->outForm($run->plan) === null || $before === []
            ? null
            : OneContainer::stops(array_values($before), "lot {$lot->code}", $lot->source->state, $lot->generation);

        return [...$this->plan->safety($order, $plan)->stopsOtherLot(), ...array_filter([$container])];
    }

    private function planned(Run $run): Plan
    {
        $order = $this->order($run, []);

        return $order->process->plan($order->job());
    }

    /**
     * The run's own order. What was looked at before it began is still so.
     *
     * @param  list<Lot>  $lots
     */
    private function order(Run $run, array $lots): Order
    {
        return new Order(
            process: $this->processes->get($run->product->process),
            product: $run->product,
            machines: $run->stations->mapWithKeys(static fn (RunStation $s): array => [$s->role => $s->machine])->all(),
            recipe: $run->recipe,
            settings: (array) ($run->setup['settings'] ?? []),
            choices: $run->choices,
            lots: $lots,
            answers: array_column($run->safety['acknowledgements'] ?? [], 'given', 'id'),
            scale: (string) ($run->setup['scale'] ?? 'production'),
            polymer: $run->polymer,
        );
    }
}
