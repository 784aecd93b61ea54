<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Charge\Sheet;
use Dithermic\Core\Charge\SheetInput;
use Dithermic\Core\Charge\SheetSchools;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Press\PressSchools;
use Dithermic\Core\Heat\Press\PressSchoolsInput;
use Dithermic\Core\Heat\Press\RuleInput;
use Dithermic\Core\Heat\Press\RuleVerdict;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\Said;
use Dithermic\Core\Process\Settled;
use Dithermic\Core\Process\UnknownFact;
use Dithermic\Core\Process\Usual;

/**
 * One pressed sheet, planned whole: every number that its procedure names, what the chosen ways of weighing and timing
 * give beside the others, and whether this press can do it. Screens, scale, scripts and runs all ask it; nothing is
 * worked out again elsewhere.
 *
 * A press of which nobody knows the heaters or the platens is not taken for an ideal one: the physics is then a bound
 * from below and says so, and the shop's own rule is the default where it has one. Factors for heating and for cooling,
 * learnt or typed, stand apart.
 */
#[Calc(
    'plan.compression',
    'a pressed sheet planned whole: charge, heat, cooling, checks and what is not known',
    size: 'settings.thickness_mm',
)]
final readonly class Planner
{
    /** a charge this close to its target is on target: share of the mass, and never finer than a bench scale, g */
    private const CHARGE_TOLERANCE = 0.01;

    private const SCALE_STEP_G = 2.0;

    private const SHOP_RULE = 'shop_rule';

    /** where neither a person nor recipe, product or library says it */
    private const USUAL = [
        'allowance_pct' => 5.0,
        'trim_mm' => 0.0,
        'initial_c' => 20.0,
        'soak_min' => 3.0,
        'heat_factor' => 1.0,
        'cool_factor' => 1.0,
        'pump_every_min' => 3.0,
        'sheets' => 1.0,
    ];

    /** Where the calculations' fields come from, beside the settings. */
    private const FROM = [
        'press' => 'machine',
        'skin.thickness_mm' => 'machine.plate_mm',
        'core_target_c' => 'settings.platen_c',
        'cold_press' => 'cold',
        'cold_platen_c' => 'cold.start_c',
        'demould_c' => 'cold',
        'density_g_cm3' => 'polymer',
    ];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $set = $this->settle($in, $this->polymers->get($in->polymer));

        return Ask::named(fn (): PlanResult => $this->planned($in, $set), self::FROM + $set->fields());
    }

    private function planned(PlanInput $in, Settled $set): PlanResult
    {
        $sheetInput = $this->sheetInput($in, $set);
        $heat = $this->heatInput($in, $set);
        $sheet = (new Sheet($this->polymers))($sheetInput);
        $weighing = (new SheetSchools($this->polymers))($sheetInput);
        $cycles = new PressCycle($this->polymers);
        $soak = $set->get('soak_min');
        [$cycle, $course] = $cycles->followed(self::picture($heat, $soak));
        $timing = (new PressSchools($this->polymers))->along(
            Reader::read(PressSchoolsInput::class, ['rules' => $this->rules($in)] + $heat),
            $course,
        );
        $rules = array_column($timing->rules, null, 'id');
        $chosen = $this->heatRule($in, array_keys($rules));
        $rule = $rules[$chosen] ?? throw new InputError('heat_rule', 'is not a rule that this shop knows');
        if ($rule->id !== RuleInput::PHYSICS) {
            // The picture shows the chosen rule: what it heats longer than the middle needs is a longer soak.
            $longer = $rule->heat_min - ($rules[RuleInput::PHYSICS]->heat_min - $soak);
            $cycle = $cycles(self::picture($heat, max(0.0, $longer)));
        }
        $charge = $this->charge($in, $sheet->charge_mass_g, array_column($weighing->schools, 'charge_mass_g', 'id'));
        $timers = $this->timers($rule, $set);
        [$heatMin, $coolMin] = [$timers[0]->minutes, $timers[1]->minutes];
        $targets = [
            'platen_c' => $set->get('platen_c'), 'platen_ready_c' => $set->get('platen_c') - PlanResult::READY_WITHIN_K,
            'charge_mass_g' => $charge->mass_g,
            'charge_tolerance_g' => $charge->tolerance_g,
            'heat_min' => $heatMin,
            'cool_min' => $coolMin,
            'pump_every_min' => $in->pump_school === PumpSchool::EveryMinutes ? $set->get('pump_every_min') : null,
            'demould_c' => $cycle->demould_c,
            'core_target_c' => $cycle->core_target_c,
            'nominal_mm' => $set->get('thickness_mm'),
            'thickness_tolerance_mm' => $set->get('thickness_tolerance_mm'),
            'length_mm' => $set->get('length_mm'),
            'width_mm' => $set->get('width_mm'),
            'pieces' => $set->get('sheets'),
        ];
        $series = $set->get('sheets') > 1 ? Series::of((int) $set->get('sheets'), $targets) : null;
        $unknowns = $this->unknowns($in, $rules[RuleInput::PHYSICS], $cycle->heat_min);
        $result = new PlanResult(
            $set->list(),
            (object) $targets,
            $timers,
            $charge,
            $this->checks($in, $set, $sheet->fits_frame),
            [...$timing->warnings, ...$cycle->warnings],
            $unknowns,
            $weighing,
            $timing,
            $sheet,
            $cycle,
            $rule->id,
            $in->pump_school,
            $heat,
            $series,
        );
        $least = $unknowns === [] ? '' : 'at the very least ';

        return $result->explain(sprintf(
            '%.0f g, %s%.1f min hot and %.1f min cold.%s',
            $charge->mass_g,
            $rule->id === RuleInput::PHYSICS ? $least : '',
            $heatMin,
            $coolMin,
            $series === null ? '' : sprintf(
                ' %d sheets, one every %.0f min: %.0f min in all, the %s press sets the pace.',
                $series->sheets,
                $series->takt_min,
                $series->total_min,
                $series->held_by,
            ),
        ));
    }

    /** @throws InputError naming the setting */
    private function settle(PlanInput $in, Polymer $polymer): Settled
    {
        $polymer->mustBeWorkedBy('compression', 'pressing');
        $said = Said::of($in->settings, $in->recipe, $in->recipe_name, $in->product);
        $settled = Settled::of(SheetSettings::class, $said, [
            'platen_c' => Usual::window($polymer, 'compression', 'platen_c'),
            'bulk_density_g_cm3' => new Usual(
                $polymer->property('bulk_density_g_cm3'),
                $polymer->origin('bulk_density_flake_g_cm3'),
            ),
        ] + array_map(static fn (float $value): Usual => new Usual($value), self::USUAL));
        $unsaid = 'is required: neither the product nor a recipe says it';
        $settled->mustHave([
            'platen_c' => "{$polymer->code} has no window for pressing: set the platen temperature",
            'length_mm' => $unsaid,
            'width_mm' => $unsaid,
            'thickness_mm' => $unsaid,
            'thickness_tolerance_mm' => 'is not known yet: say how far the thickest place may be from the thinnest',
        ]);
        $settled->mustBePositive(['thickness_tolerance_mm', 'pump_every_min', 'cool_factor']);
        if (fmod($settled->get('sheets'), 1.0) !== 0.0) {
            throw new InputError('settings.sheets', 'must be a whole number of sheets');
        }

        return $settled;
    }

    /**
     * What was chosen, else what the recipe kept, else the shop's rule where the press is not known, else physics.
     *
     * @param  list<string>  $known
     */
    private function heatRule(PlanInput $in, array $known): string
    {
        $kept = in_array($in->recipe_heat_rule, $known, true) ? $in->recipe_heat_rule : null;
        $usual = in_array(self::SHOP_RULE, $known, true) && ! $in->machine->isKnown()
            ? self::SHOP_RULE
            : RuleInput::PHYSICS;

        return $in->heat_rule ?? $kept ?? $usual;
    }

    private function sheetInput(PlanInput $in, Settled $set): SheetInput
    {
        return Reader::read(SheetInput::class, [
            'length_mm' => $set->get('length_mm'),
            'width_mm' => $set->get('width_mm'),
            'thickness_mm' => $set->get('thickness_mm'),
            'polymer' => $in->polymer,
            'allowance_pct' => $set->get('allowance_pct'),
            'trim_mm' => $set->get('trim_mm'),
            'bulk_density_g_cm3' => $set->optional('bulk_density_g_cm3'),
            'frame_depth_mm' => $set->optional('frame_depth_mm'), 'shop_kg_per_mm' => $set->optional('shop_kg_per_mm'),
        ]);
    }

    /** @return array<string, mixed> input of heat.press_cycle, with what the two presses can do */
    private function heatInput(PlanInput $in, Settled $set): array
    {
        $heat = [
            'length_mm' => $set->get('length_mm'),
            'width_mm' => $set->get('width_mm'),
            'thickness_mm' => $set->get('thickness_mm'),
            'polymer' => $in->polymer,
            'platen_c' => $set->get('platen_c'),
            'initial_c' => $set->get('initial_c'),
            'soak_min' => $set->get('soak_min'),
            'heat_factor' => $set->get('heat_factor'),
            'bulk_density_g_cm3' => $set->optional('bulk_density_g_cm3'),
        ];
        if ($in->machine->isKnown()) {
            $heat['press'] = [
                'heater_kw' => $in->machine->heater_kw,
                'platen_kj_k' => $in->machine->platen_kj_k,
                'loss_kw' => $in->machine->loss_kw ?? 0.0,
            ];
        }
        if ($in->machine->plate_mm !== null) {
            $heat['skin'] = ['thickness_mm' => $in->machine->plate_mm];
        }
        if ($in->cold?->platen_kj_k !== null) {
            $heat['cold_press'] = [
                'platen_kj_k' => $in->cold->platen_kj_k,
                'cooling_w_k' => $in->cold->cooling_w_k ?? 10.0,
                'coolant_c' => $in->cold->coolant_c ?? 20.0,
            ];
            $heat['cold_platen_c'] = $in->cold->start_c ?? 25.0;
        }

        return $heat;
    }

    /**
     * @param  array<string, mixed>  $heat
     * @param  float  $soak  min
     */
    private static function picture(array $heat, float $soak): PressCycleInput
    {
        return Reader::read(PressCycleInput::class, ['soak_min' => $soak, 'with_profile' => true] + $heat);
    }

    /**
     * The shop's own minutes for each millimetre on this press, where it has some, and physics.
     *
     * @return non-empty-list<array<string, mixed>>
     */
    private function rules(PlanInput $in): array
    {
        $physics = ['id' => RuleInput::PHYSICS, 'label' => 'by heat conduction'];
        [$heat, $cool] = [$in->machine->heat_min_per_mm, $in->machine->cool_min_per_mm];

        return $heat === null || $cool === null ? [$physics] : [
            [
                'id' => self::SHOP_RULE,
                'label' => sprintf('%.1f min for each mm, cool %.1f', $heat, $cool),
                'heat_min_per_mm' => $heat,
                'cool_min_per_mm' => $cool,
            ],
            $physics,
        ];
    }

    /** @param  array<string, float>  $methods  charge by method, g */
    private function charge(PlanInput $in, float $byDensity, array $methods): PlannedCharge
    {
        $mass = $in->charge_method === ChargeMethod::TrueDensity ? $byDensity
            : $methods[$in->charge_method->value] ?? throw new InputError(
                'charge_method',
                'asks for a rule that is not known: give shop_kg_per_mm',
            );

        return new PlannedCharge(
            round($mass, 1),
            round(max(self::SCALE_STEP_G, self::CHARGE_TOLERANCE * $mass), 1),
            $in->charge_method->value,
        );
    }

    /** @return array{PlannedTimer, PlannedTimer} */
    private function timers(RuleVerdict $rule, Settled $set): array
    {
        $soak = $set->get('soak_min');
        if ($rule->id !== RuleInput::PHYSICS) {
            return [
                new PlannedTimer('heat', round($rule->heat_min, 2), 'the shop\'s rule'),
                new PlannedTimer('cool', round($rule->cool_min, 2), 'the shop\'s rule'),
            ];
        }
        $heat = ($rule->heat_min - $soak) * $set->get('heat_factor') + $soak;

        return [
            new PlannedTimer('heat', round($heat, 2), sprintf('the middle is hot, and %.0f min of soak', $soak)),
            new PlannedTimer(
                'cool',
                round($rule->cool_min * $set->get('cool_factor'), 2),
                'nothing is above the temperature at which it may be opened',
            ),
        ];
    }

    /** @return list<PlanCheck> */
    private function checks(PlanInput $in, Settled $set, ?bool $fitsFrame): array
    {
        $trim = 2 * $set->get('trim_mm');
        $size = [$set->get('length_mm') + $trim, $set->get('width_mm') + $trim];
        $checks = [];
        foreach (['bed' => $in->machine, 'cold_bed' => $in->cold] as $id => $press) {
            $checks[] = $press === null ? null : PlanCheck::bed(
                $id,
                'The sheet with its trim',
                $size,
                "the bed of {$press->name}",
                [$press->bed_length_mm, $press->bed_width_mm],
            );
        }
        $checks[] = PlanCheck::setPoint('platen', $in->machine->name, $set->get('platen_c'), $in->machine->max_c);
        if ($fitsFrame !== null) {
            $checks[] = new PlanCheck(
                'frame',
                $fitsFrame ? CheckState::Ok : CheckState::Warn,
                $fitsFrame
                    ? 'The loose charge fits its frame.'
                    : 'The loose charge stands over its frame: heap it in the middle, or fill in two goes.',
            );
        }

        return array_values(array_filter($checks));
    }

    /** @return list<UnknownFact> */
    private function unknowns(PlanInput $in, RuleVerdict $physics, float $heat): array
    {
        $unknowns = [];
        if (! $in->machine->isKnown()) {
            $unknowns[] = new UnknownFact(
                'heaters and platens of the hot press',
                sprintf(
                    'By physics alone it takes at the very least %.0f min until the middle is hot: real platens sag under a cold stack.',
                    $heat,
                ),
            );
        }
        if ($in->cold !== null && $in->cold->platen_kj_k === null) {
            $unknowns[] = new UnknownFact(
                'platens of the cold press',
                sprintf(
                    'It cools for at the very least %.0f min: a cold press warms up under a hot sheet.',
                    $physics->cool_min,
                ),
            );
        }
        if ($in->machine->bed_length_mm === null || $in->machine->bed_width_mm === null) {
            $unknowns[] = new UnknownFact('bed of the hot press', 'Whether the sheet fits is not checked.');
        }

        return $unknowns;
    }
}
