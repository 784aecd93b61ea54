<?php

declare(strict_types=1);

namespace App\Actions;

use App\Data\PlanData;
use App\Models\Charge;
use App\Models\ContaminationNote;
use App\Models\Lot;
use App\Models\Machine;
use App\Support\Dryness;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Safety\CheckResult;

/** Puts what the shop knows of an order before the core's plan of its process and before the safety check. */
final readonly class PlanRun
{
    /** what a person may confirm; each counts only where the process asks it */
    private const ANSWERS = [
        'people_protected',
        'air_moving',
        'guard_closed',
        'nozzle_seated',
        'pressure_relieved',
        'lifting_gear',
    ];

    public function __construct(private Registry $calculations, private Present $present, private Dryness $dryness)
    {
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
            $order->lots === [] ? null : $this->safety($order, $plan),
            $this->present->marks($order->polymer(), $order->process),
        );
    }

    private function safety(Order $order, Plan $plan): CheckResult
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
            'answers' => array_map(
                static fn (mixed $answer): bool => $answer === true,
                array_intersect_key($order->answers, array_flip(self::ANSWERS)),
            ),
            'scale' => $order->scale,
        ]);
        assert($result instanceof CheckResult);

        return $result;
    }

    /** @return array<string, mixed> those of its facts that the safety rules know */
    private function machine(Machine $machine): array
    {
        $asked = ['max_c', 'clamp_kn', 'tank_rated_kpa', 'bed_length_mm', 'bed_width_mm'];

        return ['name' => $machine->name, 'last_polymer' => $machine->last_polymer]
            + array_intersect_key($machine->facts, array_flip($asked));
    }

    private function weighed(?Charge $charge): ?float
    {
        return $charge === null ? null : max(0.0, (float) $charge->weighings()->sum('mass_g'));
    }
}
