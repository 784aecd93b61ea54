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
use Dithermic\Core\Charge\SheetResult;
use Dithermic\Core\Charge\SheetSchoolsResult;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Heat\Press\PressSchoolsResult;
use Dithermic\Core\Heat\Press\RuleInput;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\CheckResult;

/** Puts product, recipe, machines and what a person has moved together, and asks the core for the whole answer. */
final readonly class PlanPress
{
    /** a charge this close to its target is on target: share of the mass, and never finer than a bench scale, g */
    private const CHARGE_TOLERANCE = 0.01;

    private const SCALE_STEP_G = 2.0;

    /** platens this far under the set-point are ready, K */
    private const READY_WITHIN_K = 5.0;

    private const SETTINGS = ['length_mm', 'width_mm', 'thickness_mm', 'allowance_pct', 'trim_mm', 'frame_depth_mm', 'platen_c', 'initial_c', 'soak_min',
        'heat_factor', 'shop_kg_per_mm', 'thickness_tolerance_mm', 'pump_every_min', 'bulk_density_g_cm3'];

    public function __construct(private Registry $calculations, private PolymerLibrary $polymers, private Present $present, private Dryness $dryness)
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
        Product $product, Machine $machine, ?Machine $cold, ?Recipe $recipe, array $moved, array $chosen, ?Lot $lot, array $answers, string $scale, ?string $polymer = null, array $alsoLots = [], ?Charge $charge = null,
    ): PressPlanData {
        $polymer ??= $product->polymer;
        $known = $this->polymers->get($polymer);
        [$settings, $origins] = $this->settings($product, $recipe, $moved, $polymer);
        $ours = $this->rules($machine);
        $kept = (string) ($recipe->settings['heat_rule'] ?? RuleInput::PHYSICS);
        $choices = [
            // A rule that the shop has given up since the recipe was kept gives way to physics.
            'heat_rule' => (string) ($chosen['heat_rule'] ?? (in_array($kept, array_column($ours, 'id'), true) ? $kept : RuleInput::PHYSICS)),
            'pump_school' => (string) ($chosen['pump_school'] ?? $recipe->settings['pump_school'] ?? 'every_minutes'),
        ];

        $size = ['length_mm' => $settings['length_mm'], 'width_mm' => $settings['width_mm'], 'thickness_mm' => $settings['thickness_mm']];
        $sheetInput = $size + [
            'polymer' => $polymer, 'allowance_pct' => $settings['allowance_pct'], 'trim_mm' => $settings['trim_mm'],
            'bulk_density_g_cm3' => $settings['bulk_density_g_cm3'], 'frame_depth_mm' => $settings['frame_depth_mm'], 'shop_kg_per_mm' => $settings['shop_kg_per_mm'],
        ];
        $heatInput = $size + [
            'polymer' => $polymer, 'platen_c' => $settings['platen_c'], 'initial_c' => $settings['initial_c'], 'soak_min' => $settings['soak_min'],
            'heat_factor' => $settings['heat_factor'], 'bulk_density_g_cm3' => $settings['bulk_density_g_cm3'],
        ] + $this->presses($machine, $cold);

        $sheet = $this->calculations->run('charge.sheet', $sheetInput);
        $weighing = $this->calculations->run('charge.sheet_schools', $sheetInput);
        $timing = $this->calculations->run('heat.press_schools', ['rules' => $ours] + $heatInput);
        assert($sheet instanceof SheetResult && $weighing instanceof SheetSchoolsResult && $timing instanceof PressSchoolsResult);
        $rules = array_column($timing->rules, null, 'id');
        $rule = $rules[$choices['heat_rule']] ?? throw new InputError('choices.heat_rule', 'is not a rule that this shop knows');
        // The picture shows the chosen rule: what it heats longer than the middle needs is a longer soak.
        $longer = $rule->heat_min - ($rules['physics']->heat_min - $settings['soak_min']);
        $cycle = $this->calculations->run('heat.press_cycle', ['soak_min' => $rule->id === 'physics' ? $settings['soak_min'] : max(0.0, $longer), 'with_profile' => true] + $heatInput);
        assert($cycle instanceof PressCycleResult);
        if (! in_array($choices['pump_school'], ['every_minutes', 'watch_gauge'], true)) {
            throw new InputError('choices.pump_school', 'is every_minutes or watch_gauge');
        }
        $factor = $rule->id === 'physics' ? (float) $settings['heat_factor'] : 1.0;
        $plan = [
            'platen_c' => $settings['platen_c'],
            'platen_ready_c' => $settings['platen_c'] - self::READY_WITHIN_K,
            'charge_mass_g' => round($sheet->charge_mass_g, 1),
            'charge_tolerance_g' => round(max(self::SCALE_STEP_G, self::CHARGE_TOLERANCE * $sheet->charge_mass_g), 1),
            'heat_min' => round($rule->id === 'physics' ? ($rule->heat_min - $settings['soak_min']) * $factor + $settings['soak_min'] : $rule->heat_min, 2),
            'cool_min' => round($rule->cool_min, 2),
            'pump_every_min' => $choices['pump_school'] === 'every_minutes' ? $settings['pump_every_min'] : null,
            'demould_c' => $cycle->demould_c,
            'core_target_c' => $cycle->core_target_c,
            'nominal_mm' => $settings['thickness_mm'],
            'thickness_tolerance_mm' => $settings['thickness_tolerance_mm'],
            'length_mm' => $settings['length_mm'],
            'width_mm' => $settings['width_mm'],
        ];

        return new PressPlanData(
            (object) $settings, (object) $choices, (object) $origins, $sheet, $weighing, $cycle, $timing, (object) $plan,
            $lot === null ? null : $this->safety([$lot, ...$alsoLots], $machine, (float) $settings['platen_c'], $answers, $scale, $this->chargeFacts($settings, $plan, $charge)),
            (object) $heatInput, $this->present->marks($known->code), $known->code,
        );
    }

    /**
     * @param  non-empty-list<Lot>  $lots
     * @param  array<string, mixed>  $answers
     * @param  array<string, float|null>  $charge  what goes in and how large it is
     */
    public function safety(array $lots, Machine $machine, float $set, array $answers, string $scale, array $charge = []): CheckResult
    {
        $result = $this->calculations->run('safety.check', [
            'process' => 'compression',
            'lots' => array_map(fn (Lot $lot): array => ['polymer' => $lot->polymer, 'label' => "lot {$lot->code}", 'source_state' => $lot->source->state->value, 'dry_state' => $this->dryness->state($lot)->value, 'found' => ContaminationNote::standing($lot->id), 'form' => $lot->form, 'held_g' => max(0.0, (float) $lot->held_g)], $lots),
            'machine' => ['name' => $machine->name, 'last_polymer' => $machine->last_polymer, 'max_c' => $machine->fact('max_c'), 'bed_length_mm' => $machine->fact('bed_length_mm'), 'bed_width_mm' => $machine->fact('bed_width_mm')],
            'charge' => $charge === [] ? null : $charge,
            'settings' => ['set_c' => $set],
            'answers' => ['people_protected' => (bool) ($answers['people_protected'] ?? false), 'air_moving' => (bool) ($answers['air_moving'] ?? false)],
            'scale' => $scale,
        ]);
        assert($result instanceof CheckResult);

        return $result;
    }

    /**
     * The shop's own minutes per millimetre for this press, where it has some, and physics.
     *
     * @return non-empty-list<array<string, mixed>>
     */
    private function rules(Machine $machine): array
    {
        $physics = ['id' => RuleInput::PHYSICS, 'label' => 'by heat conduction'];
        [$heat, $cool] = [$machine->fact('heat_min_per_mm'), $machine->fact('cool_min_per_mm')];

        return $heat === null || $cool === null ? [$physics] : [
            ['id' => 'shop_rule', 'label' => sprintf('%.1f min for each mm, cool %.1f', $heat, $cool), 'heat_min_per_mm' => $heat, 'cool_min_per_mm' => $cool], $physics,
        ];
    }

    /**
     * @param  array<string, float|null>  $settings
     * @param  array<string, float|null>  $plan
     * @return array<string, float|null>
     */
    private function chargeFacts(array $settings, array $plan, ?Charge $charge): array
    {
        return [
            'needed_g' => $plan['charge_mass_g'], 'tolerance_g' => $plan['charge_tolerance_g'], 'weighed_g' => $charge === null ? null : max(0.0, (float) $charge->weighings()->sum('mass_g')),
            'length_mm' => (float) $settings['length_mm'] + 2 * (float) $settings['trim_mm'], 'width_mm' => (float) $settings['width_mm'] + 2 * (float) $settings['trim_mm'],
        ];
    }

    /** @return array<string, mixed> what the two presses can do, as heat.press_cycle wants it */
    private function presses(Machine $machine, ?Machine $cold): array
    {
        $input = [];
        if ($machine->fact('heater_kw') !== null && $machine->fact('platen_kj_k') !== null) {
            $input['press'] = ['heater_kw' => $machine->fact('heater_kw'), 'platen_kj_k' => $machine->fact('platen_kj_k'), 'loss_kw' => $machine->fact('loss_kw') ?? 0.0];
        }
        if ($machine->fact('plate_mm') !== null) {
            $input['skin'] = ['thickness_mm' => $machine->fact('plate_mm')];
        }
        if ($cold?->fact('platen_kj_k') !== null) {
            $input['cold_press'] = ['platen_kj_k' => $cold->fact('platen_kj_k'), 'cooling_w_k' => $cold->fact('cooling_w_k') ?? 10.0, 'coolant_c' => $cold->fact('coolant_c') ?? 20.0];
            $input['cold_platen_c'] = $cold->fact('start_c') ?? 25.0;
        }

        return $input;
    }

    /**
     * @param  array<string, mixed>  $moved
     * @return array{array<string, float|null>, array<string, string>} the settings, and where each came from
     */
    private function settings(Product $product, ?Recipe $recipe, array $moved, string $polymer): array
    {
        $library = $this->polymers->get($polymer);
        $window = $library->process('compression')['platen_c'] ?? null;
        $fallback = [
            'allowance_pct' => 5.0, 'trim_mm' => 0.0, 'initial_c' => 20.0, 'soak_min' => 3.0, 'heat_factor' => 1.0, 'pump_every_min' => 3.0,
            'platen_c' => isset($window['typical']) ? (float) $window['typical'] : null,
            'bulk_density_g_cm3' => $library->property('bulk_density_g_cm3'),
        ];
        $settings = [];
        $origins = [];
        foreach (self::SETTINGS as $name) {
            [$value, $origin] = match (true) {
                array_key_exists($name, $moved) && $moved[$name] !== null => [$moved[$name], 'set here'],
                isset($recipe->settings[$name]) && $polymer === $product->polymer => [$recipe->settings[$name], "recipe, version {$recipe->version}"],
                isset($product->dimensions[$name]) => [$product->dimensions[$name], 'the product'],
                isset($fallback[$name]) => [$fallback[$name], in_array($name, ['platen_c', 'bulk_density_g_cm3'], true) ? $library->origin($name === 'platen_c' ? 'process.compression.platen_c' : 'bulk_density_flake_g_cm3') : 'usual practice'],
                default => [null, ''],
            };
            if ($value !== null && ! is_int($value) && ! is_float($value)) {
                throw new InputError("settings.{$name}", 'must be a number, not text');
            }
            $settings[$name] = $value === null ? null : (float) $value;
            $origins[$name] = $origin;
        }
        if ($settings['platen_c'] === null) {
            throw new InputError('settings.platen_c', "{$polymer} has no window for pressing: set the platen temperature");
        }
        if ($settings['thickness_tolerance_mm'] === null) {
            throw new InputError('settings.thickness_tolerance_mm', "{$product->name} has no tolerance yet: say how far its thickest place may be from its thinnest");
        }
        if ($settings['thickness_tolerance_mm'] <= 0 || $settings['pump_every_min'] <= 0) {
            throw new InputError($settings['pump_every_min'] <= 0 ? 'settings.pump_every_min' : 'settings.thickness_tolerance_mm', 'must be above 0');
        }

        return [$settings, $origins];
    }
}
