<?php

declare(strict_types=1);

namespace App\Actions;

use App\Data\PressPlanData;
use App\Models\Charge;
use App\Models\ContaminationNote;
use App\Models\Lot;
use App\Models\Machine;
use App\Models\Product;
use App\Models\Recipe;
use App\Support\Dryness;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Compression\PlanResult;
use Dithermic\Core\Safety\CheckResult;

/** Puts what the shop knows of product, recipe, machines and lots before the core's plan and safety check. */
final readonly class PlanPress
{
    public function __construct(private Registry $calculations, private Present $present, private Dryness $dryness)
    {
    }

    /**
     * @param  array<string, mixed>  $moved  settings that differ from the recipe's
     * @param  array<string, mixed>  $chosen
     * @param  array<string, mixed>  $answers
     * @param  list<Lot>  $alsoLots  what else is in a weighed charge
     *
     * @throws InputError
     */
    public function __invoke(
        Product $product,
        Machine $machine,
        ?Machine $cold,
        ?Recipe $recipe,
        array $moved,
        array $chosen,
        ?Lot $lot,
        array $answers,
        string $scale,
        ?string $polymer = null,
        array $alsoLots = [],
        ?Charge $charge = null,
    ): PressPlanData {
        $polymer ??= $product->polymer;
        $kept = $polymer === $product->polymer ? $recipe : null;
        $choices = $this->choices($recipe, $chosen);
        try {
            $plan = $this->calculations->run('plan.compression', [
                'polymer' => $polymer,
                'product' => $product->dimensions,
                'recipe' => $kept?->settings,
                'recipe_name' => $kept === null ? '' : "recipe, version {$kept->version}",
                'settings' => $moved === [] ? null : $moved,
                'machine' => ['name' => $machine->name] + $machine->facts,
                'cold' => $cold === null ? null : ['name' => $cold->name] + $cold->facts,
            ] + $choices);
        } catch (InputError $error) {
            throw array_key_exists($error->field, $choices) ? $error->under('choices') : $error;
        }
        assert($plan instanceof PlanResult);
        $settings = $plan->values();
        /** @var array<string, float|null> $targets */
        $targets = (array) $plan->targets;

        return new PressPlanData(
            (object) $settings,
            (object) (['heat_rule' => $plan->heat_rule] + array_diff_key($choices, ['recipe_heat_rule' => 0])),
            (object) $plan->origins(),
            $plan->sheet,
            $plan->weighing,
            $plan->cycle,
            $plan->timing,
            $plan->targets,
            $lot === null
                ? null
                : $this->safety(
                    [$lot, ...$alsoLots],
                    $machine,
                    (float) $settings['platen_c'],
                    $answers,
                    $scale,
                    $this->chargeFacts($settings, $targets, $charge),
                ),
            (object) $plan->heat_input, $this->present->marks($polymer), $polymer, $plan->checks, $plan->unknowns,
        );
    }

    /**
     * What was chosen here, else what the recipe kept.
     *
     * @param  array<string, mixed>  $chosen
     * @return array<string, string|null>
     */
    private function choices(?Recipe $recipe, array $chosen): array
    {
        return [
            'heat_rule' => $chosen['heat_rule'] ?? null,
            'recipe_heat_rule' => $recipe->settings['heat_rule'] ?? null,
            'pump_school' => $chosen['pump_school'] ?? $recipe->settings['pump_school'] ?? 'every_minutes',
            'charge_method' => $chosen['charge_method'] ?? $recipe->settings['charge_method'] ?? 'true_density',
        ];
    }

    /**
     * @param  non-empty-list<Lot>  $lots
     * @param  array<string, mixed>  $answers
     * @param  array<string, float|null>  $charge  what goes in and how large it is
     */
    public function safety(
        array $lots,
        Machine $machine,
        float $set,
        array $answers,
        string $scale,
        array $charge = [],
    ): CheckResult {
        $result = $this->calculations->run('safety.check', [
            'process' => 'compression',
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
                $lots,
            ),
            'machine' => [
                'name' => $machine->name,
                'last_polymer' => $machine->last_polymer,
                'max_c' => $machine->fact('max_c'),
                'bed_length_mm' => $machine->fact('bed_length_mm'),
                'bed_width_mm' => $machine->fact('bed_width_mm'),
            ],
            'charge' => $charge === [] ? null : $charge,
            'settings' => ['set_c' => $set],
            'answers' => [
                'people_protected' => (bool) ($answers['people_protected'] ?? false),
                'air_moving' => (bool) ($answers['air_moving'] ?? false),
            ],
            'scale' => $scale,
        ]);
        assert($result instanceof CheckResult);

        return $result;
    }

    /**
     * @param  array<string, float|null>  $settings
     * @param  array<string, float|null>  $plan
     * @return array<string, float|null>
     */
    private function chargeFacts(array $settings, array $plan, ?Charge $charge): array
    {
        return [
            'needed_g' => $plan['charge_mass_g'],
            'tolerance_g' => $plan['charge_tolerance_g'],
            'weighed_g' => $charge === null ? null : max(0.0, (float) $charge->weighings()->sum('mass_g')),
            'length_mm' => (float) $settings['length_mm'] + 2 * (float) $settings['trim_mm'],
            'width_mm' => (float) $settings['width_mm'] + 2 * (float) $settings['trim_mm'],
        ];
    }
}
