<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Charge;
use App\Material\Models\ContaminationNote;
use App\Material\Models\Lot;
use App\Material\Queries\Dryness;
use App\Runs\Data\ChangeDueData;
use App\Runs\Data\PlanData;
use App\Runs\Queries\ChangeOver;
use App\Shop\Models\Machine;
use App\Shop\Queries\PresentShop;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Safety\Answers;
use Dithermic\Core\Safety\CheckResult;
use Dithermic\Core\Safety\MachineFacts;

/** Puts what the shop knows of an order before the core's plan of its process and before the safety check. */
final readonly class PlanRun
{
    public function __construct(
        private Registry $calculations,
        private PresentShop $present,
        private Dryness $dryness,
        private ChangeOver $changes,
    ) {
    }

    /** @throws InputError by dotted field */
    public function __invoke(Order $order): PlanData
    {
        $plan = $order->process->plan($order->job());

        return new PlanData(
            $order->process->id(),
            $order->polymer(),
            $plan,
            (object) $plan->values(),
            (object) $plan->origins(),
            (object) $plan->choices(),
            (object) $order->process->recipe($order->job(), $plan),
            $order->lots === [] ? null : $this->safety($order, $plan),
            $this->present->marks($order->polymer(), $order->process),
            $order->recipe === null ? null : $this->present->recipe($order->recipe->loadMissing('by')),
            $this->change($order, $plan),
            (object) $order->process->inMarks($order->main()->facts ?? [], $plan->values() + (array) $plan->targets),
        );
    }

    private function change(Order $order, Plan $plan): ?ChangeDueData
    {
        try {
            $change = $this->changes->plan($order, $plan);
        } catch (InputError) {
            // What the machine does not say for it, its change would ask for; the job is planned without.
            return null;
        }
        $main = $order->main();
        if ($change === null || $main === null) {
            return null;
        }
        $spread = $this->changes->spread($main);
        $likely = static fn (float $times): ?float => $spread->isKnown() && $change->total_min !== null
            ? round($times * $change->total_min, 1)
            : null;

        return new ChangeDueData(
            $change->total_min,
            $change->hands_min,
            $change->purge_g,
            $main->last_polymer,
            $change->explanation,
            $change->stop,
            $this->changes->open($main)?->id,
            $likely($spread->least),
            $likely($spread->most),
            $spread->runs,
        );
    }

    /** What stops it, and what to know of it, with the lots that it is made of. */
    public function safety(Order $order, Plan $plan): CheckResult
    {
        $main = $order->main();
        $asked = $plan->safety();
        $result = $this->calculations->run('safety.check', [
            'process' => $order->process->dangers()->value,
            'lots' => array_map(
                fn (Lot $lot): array => [
                    'polymer' => $lot->polymer,
                    'label' => "lot {$lot->code}",
                    'source_state' => $lot->source->state->value,
                    'dry_state' => $this->dryness->state($lot)->value,
                    'found' => ContaminationNote::standing($lot->id),
                    'form' => $lot->form,
                    'held_g' => max(0.0, (float) $lot->held_g),
                ],
                $order->lots,
            ),
            'machine' => $main === null ? null : $this->machine($main),
            'mould' => $asked['mould'] ?? null,
            'charge' => [
                'needed_g' => $plan->charge->mass_g,
                'tolerance_g' => $plan->charge->tolerance_g,
                'weighed_g' => $this->weighed($order->charge),
            ] + ($asked['charge'] ?? []),
            'settings' => $asked['settings'],
            'answers' => Reader::known(Answers::class, array_filter($order->answers, is_bool(...))),
            'scale' => $order->scale,
        ]);
        assert($result instanceof CheckResult);

        return $result;
    }

    /** @return array<string, mixed> those of its facts that the safety rules know */
    private function machine(Machine $machine): array
    {
        return ['name' => $machine->name, 'last_polymer' => $machine->last_polymer]
            + Reader::known(MachineFacts::class, $machine->facts);
    }

    private function weighed(?Charge $charge): ?float
    {
        return $charge === null ? null : max(0.0, (float) $charge->weighings()->sum('mass_g'));
    }
}
