<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Charge\Shot;
use Dithermic\Core\Charge\ShotInput;
use Dithermic\Core\Charge\ShotResult;
use Dithermic\Core\Flow\Fill;
use Dithermic\Core\Flow\FillInput;
use Dithermic\Core\Flow\FillResult;
use Dithermic\Core\Force\Clamp;
use Dithermic\Core\Force\ClampInput;
use Dithermic\Core\Force\ClampResult;
use Dithermic\Core\Force\LeverInjection;
use Dithermic\Core\Force\LeverInput;
use Dithermic\Core\Heat\Barrel\BarrelSoak;
use Dithermic\Core\Heat\Barrel\BarrelSoakInput;
use Dithermic\Core\Heat\Barrel\BarrelSoakResult;
use Dithermic\Core\Heat\Dwell\Budget;
use Dithermic\Core\Heat\Dwell\BudgetInput;
use Dithermic\Core\Heat\Wall\CoolingTime;
use Dithermic\Core\Heat\Wall\CoolingTimeInput;
use Dithermic\Core\Heat\Wall\MouldContact;
use Dithermic\Core\Heat\Wall\MouldContactInput;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Gives;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\Said;
use Dithermic\Core\Process\Settled;
use Dithermic\Core\Process\UnknownFact;
use Dithermic\Core\Process\Usual;

/**
 * Shots out of one barrel into one mould, planned whole: mass and portions, soak and further shots, whether what the
 * machine can press with fills the mould before it freezes, what holds it shut, hold until the gate is frozen, cooling
 * in this mould, and how many parts an hour that makes. Composed of the calculations of the same names, whose sources
 * and limits they state; nothing is worked out again here.
 *
 * What nobody has said is not taken for ideal: without the flow's length, the area or the machine's force the check is
 * left out and named among the unknowns.
 */
#[Calc(
    'plan.injection',
    'shots of a part planned whole: mass, soak, filling, clamp, hold, cooling, cycle and what is not known',
    size: 'settings.thickness_mm',
)]
final readonly class Planner
{
    /** at most this share of the melt's life is spent between two shots; over it, the plan warns */
    private const LIFE_SHARE = 0.7;

    /** where the machine does not say how fast it heats, min */
    private const USUAL_HEAT_UP_MIN = 20.0;

    private const ROOM_C = 20.0;

    /** our defaults, where neither a person nor recipe, product or library says it */
    private const USUAL = [
        'cavities' => 1.0,
        'runner_volume_cm3' => 0.0,
        'loss_pct' => 5.0,
        'feed_c' => 20.0,
        'porosity' => 0.15,
        'fill_s' => 2.0,
        'open_s' => 60.0,
        'shots' => 20.0,
        'cool_factor' => 1.0,
        'mould_wall_mm' => 15.0,
        'mass_tolerance_pct' => 2.0,
    ];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $set = $this->settle($in, $polymer);
        $machine = $in->machine;
        $shot = $this->shot($in, $set);
        $soak = $machine->hasScrew() ? null : $this->soak($in, $set, $shot);
        $available = $this->available($machine);
        $fill = $this->fill($in, $set, $available);
        $clamp = $this->clamp($machine, $set);
        $hold = $this->hold($in, $set, $polymer);
        $cool = $this->cool($in, $set) * $set->get('cool_factor');
        $waits = $this->waits($set, $soak, $shot);
        $refill = $waits[$in->soak_rule->value] ?? 0.0;
        $cycle = max(
            $set->get('fill_s') + max($hold, $cool) + $set->get('open_s'),
            $soak === null ? 0.0 : $soak->min_cycle_s_continuous * $set->get('soak_factor'),
            $machine->throughput_cm3_min === null ? 0.0 : 60 * $shot->melt_volume_cm3 / $machine->throughput_cm3_min,
        );
        $life = $this->life($in, $set, $polymer);
        $heatUp = $this->heatUp($machine, $set);
        $full = $soak === null ? 0.0 : $soak->soak_min_full * $set->get('soak_factor');
        // A full barrel is shot empty one cycle after the other: its last shot is the oldest.
        $hot = $full + max(1, $shot->shots_per_fill) * $cycle / 60;
        $timers = [
            new PlannedTimer('soak', round($full, 2), 'the middle of a full barrel is melt'),
            new PlannedTimer('cool', round(max($hold, $cool) / 60, 3), $hold > $cool
                ? 'the gate freezes last'
                : 'the middle of the wall may be opened'),
        ];
        $part = round($shot->part_mass_g, 2);
        $targets = [
            'melt_c' => $set->get('melt_c'),
            'barrel_ready_c' => $set->get('melt_c') - PlanResult::READY_WITHIN_K,
            'mould_c' => $set->get('mould_c'),
            'shot_mass_g' => round($shot->shot_mass_g, 1),
            'portions' => $shot->tamp_fills,
            'soak_min' => $timers[0]->minutes,
            'refill_min' => round($refill, 2),
            'hold_s' => round($hold, 1),
            'cool_min' => $timers[1]->minutes,
            'cycle_s' => round($cycle, 1),
            'part_mass_g' => $part,
            'part_least_g' => round($part * (1 - $set->get('mass_tolerance_pct') / 100), 2),
            'mass_tolerance_pct' => $set->get('mass_tolerance_pct'),
            'runner_g' => round($this->runner($set, $polymer), 2),
            'parts_per_piece' => (float) round($set->get('cavities')),
            'pieces' => $set->get('shots'),
            'stroke_mm' => round($shot->stroke_mm, 1),
            // What a screw holds it makes ready by itself: only a plunger's barrel is a store.
            'barrel_g' => $machine->hasScrew() ? null : round($shot->barrel_capacity_g, 1),
        ];
        $result = new PlanResult(
            $set->list(),
            (object) $targets,
            $timers,
            new PlannedCharge(round($shot->shot_mass_g, 1), null, 'by_volume'),
            $this->checks($in, $set, $shot, $available, $fill, $clamp, $life, $hot),
            $this->cautions($in, $polymer),
            $this->unknowns($in, $available, $fill, $clamp, $heatUp, $life),
            $shot,
            $soak,
            $fill,
            $clamp,
            $available,
            round($hold, 1),
            round($cool, 1),
            round($cycle, 1),
            round(3600 / $cycle * round($set->get('cavities')), 1),
            $life,
            $heatUp,
            round($hot, 2),
            $in->soak_rule,
            $in->mould_make,
            $soak === null ? [] : ['soak_factor' => $set->get('soak_factor')] + $this->soakInput($in, $set, $shot),
            Gives::each('soak_rule', array_map(
                static fn (float $min): string => sprintf('%.1f min after a shot', $min),
                $waits,
            )),
        );

        return $result->explain(sprintf(
            '%.1f g a shot, %.0f %% of the barrel; %.0f min of soak, then %.0f s from shot to shot: %.0f parts an hour.',
            $shot->shot_mass_g,
            100 * $shot->barrel_fraction,
            $full,
            $cycle,
            $result->parts_h,
        ));
    }

    /** @throws InputError naming the setting */
    private function settle(PlanInput $in, Polymer $polymer): Settled
    {
        $polymer->mustBeWorkedBy('injection', 'moulding');
        $window = static fn (string $name): Usual => Usual::window($polymer, 'injection', $name);
        $wall = $in->settings->thickness_mm ?? $in->recipe->thickness_mm ?? $in->product->thickness_mm;
        $said = Said::of($in->settings, $in->recipe, $in->recipe_name, $in->product, $in->mould);
        $settled = Settled::of(ShotSettings::class, $said, [
            'melt_c' => $window('melt_c'),
            'mould_c' => $window('mould_c'),
            'cavity_pressure_bar' => $window('cavity_pressure_bar'),
            'eject_c' => new Usual($polymer->property('demould_c'), $polymer->origin('demould_c')),
            'soak_factor' => new Usual(
                $in->machine->soak_factor ?? 1.0,
                $in->machine->soak_factor === null ? Usual::PRACTICE : "as {$in->machine->name} takes it",
            ),
            // A gate is usually cut to some six tenths of the wall, so that it freezes first.
            'gate_mm' => new Usual($wall === null ? null : 0.6 * $wall, '0.6 of the wall, as gates are usually cut'),
        ] + array_map(static fn (float $value): Usual => new Usual($value), self::USUAL));
        $unsaid = 'is required: neither the product nor a recipe says it';
        $settled->mustHave([
            'melt_c' => "{$polymer->code} has no window for moulding: set the melt temperature",
            'mould_c' => "{$polymer->code} has no window for moulding: set the mould temperature",
            'eject_c' => 'is not known of this polymer: say at which temperature a part may be taken out',
            'part_volume_cm3' => $unsaid,
            'thickness_mm' => $unsaid,
        ]);
        if ($settled->get('eject_c') <= $settled->get('mould_c')) {
            throw new InputError('settings.mould_c', sprintf(
                'must be under the %.0f °C at which the part is taken out: it never gets cooler than its mould',
                $settled->get('eject_c'),
            ));
        }

        return $settled;
    }

    private function shot(PlanInput $in, Settled $set): ShotResult
    {
        [$bore, $stroke] = [$in->machine->boreMm(), $in->machine->strokeMm()];
        if ($bore === null || $stroke === null) {
            throw new InputError(
                'machine',
                "{$in->machine->name} does not say its bore and the length that a shot is taken from: measure them once",
            );
        }

        return Ask::for(new Shot($this->polymers), ShotInput::class, [
            'polymer' => $in->polymer,
            'part_volume_cm3' => $set->get('part_volume_cm3'),
            'cavities' => (int) round($set->get('cavities')),
            'runner_volume_cm3' => $set->get('runner_volume_cm3'),
            'loss_pct' => $set->get('loss_pct'),
            'barrel_diameter_mm' => $bore,
            'barrel_length_mm' => $stroke,
        ], self::barrel($in));
    }

    /** @return array<string, string> the facts of the machine that say how large its barrel is */
    private static function barrel(PlanInput $in): array
    {
        return $in->machine->hasScrew()
            ? ['barrel_diameter_mm' => 'machine.screw_diameter_mm', 'barrel_length_mm' => 'machine.max_stroke_mm']
            : ['barrel_diameter_mm' => 'machine.barrel_diameter_mm', 'barrel_length_mm' => 'machine.barrel_length_mm'];
    }

    /** What hangs between the parts of a shot, g. */
    private function runner(Settled $set, Polymer $polymer): float
    {
        return $set->get('runner_volume_cm3') * (float) $polymer->property('density_g_cm3');
    }

    private function soak(PlanInput $in, Settled $set, ShotResult $shot): BarrelSoakResult
    {
        return Ask::for(
            new BarrelSoak($this->polymers),
            BarrelSoakInput::class,
            $this->soakInput($in, $set, $shot),
            ['wall_c' => 'settings.melt_c'] + self::barrel($in),
        );
    }

    /** @return array<string, float|string|null> */
    private function soakInput(PlanInput $in, Settled $set, ShotResult $shot): array
    {
        return [
            'polymer' => $in->polymer,
            'barrel_diameter_mm' => $in->machine->boreMm(),
            'wall_c' => $set->get('melt_c'),
            'feed_c' => $set->get('feed_c'),
            'porosity' => $set->get('porosity'),
            'fraction_refilled' => min(1.0, max(0.01, $shot->barrel_fraction)),
        ];
    }

    /** @return array<string, float> minutes to wait after a shot's worth was refilled, by rule; none of a screw's barrel */
    private function waits(Settled $set, ?BarrelSoakResult $soak, ShotResult $shot): array
    {
        return $soak === null ? [] : [
            SoakRule::Physics->value => $soak->soak_min_refill * $set->get('soak_factor'),
            SoakRule::ByFraction->value => $soak->soak_min_full * min(1.0, $shot->barrel_fraction) * $set->get('soak_factor'),
        ];
    }

    /** What the machine can press with on the melt, bar; null where it does not say. */
    private function available(InjectorFacts $machine): ?float
    {
        if ($machine->max_specific_bar !== null) {
            return $machine->max_specific_bar;
        }
        $bore = $machine->plunger_diameter_mm ?? $machine->barrel_diameter_mm;
        $byHand = $machine->hand_force_n !== null && $machine->lever_long_mm !== null
            && $machine->lever_short_mm !== null;
        $byDrum = $machine->torque_nm !== null && $machine->drum_radius_mm !== null;
        if ($bore === null || ! ($byHand || $byDrum)) {
            return null;
        }
        $force = $byHand
            ? [
                'hand_force_n' => $machine->hand_force_n,
                'lever_long_mm' => $machine->lever_long_mm,
                'lever_short_mm' => $machine->lever_short_mm,
            ]
            : [
                'torque_nm' => $machine->torque_nm,
                'drum_radius_mm' => $machine->drum_radius_mm,
                'ratio' => $machine->ratio,
            ];

        return Ask::for(new LeverInjection, LeverInput::class, [
            'plunger_diameter_mm' => $bore,
        ] + $force, [
            'plunger_diameter_mm' => $machine->plunger_diameter_mm === null
                ? 'machine.barrel_diameter_mm'
                : 'machine.plunger_diameter_mm',
        ] + self::facts(array_keys($force)))->injection_bar;
    }

    /**
     * @param  list<string>  $names
     * @return array<string, string> facts of the machine by the names that a calculation has for them, too
     */
    private static function facts(array $names): array
    {
        return array_combine($names, array_map(static fn (string $name): string => "machine.{$name}", $names));
    }

    /** The mould as one slit from the gate to its end, as wide as its volume asks. */
    private function fill(PlanInput $in, Settled $set, ?float $available): ?FillResult
    {
        $length = $set->optional('flow_length_mm');
        if ($length === null) {
            return null;
        }
        $volume = $set->get('part_volume_cm3');
        $wall = $set->get('thickness_mm');

        return Ask::for(new Fill($this->polymers), FillInput::class, [
            'polymer' => $in->polymer,
            'melt_c' => $set->get('melt_c'),
            'mould_c' => $set->get('mould_c'),
            'flow_cm3_s' => $volume / $set->get('fill_s'),
            'path' => [[
                'kind' => 'slit',
                'length_mm' => $length,
                'width_mm' => 1000 * $volume / ($length * $wall),
                'height_mm' => $wall,
            ]],
            'available_bar' => $available,
        ], [
            'flow_cm3_s' => 'settings.fill_s',
            'path.0.length_mm' => 'settings.flow_length_mm',
            'path.0.width_mm' => 'settings.flow_length_mm',
            'path.0.height_mm' => 'settings.thickness_mm',
        ]);
    }

    private function clamp(InjectorFacts $machine, Settled $set): ?ClampResult
    {
        if (! $set->has('projected_area_cm2') || ! $set->has('cavity_pressure_bar')) {
            return null;
        }

        return Ask::for(new Clamp, ClampInput::class, [
            'projected_area_cm2' => $set->get('projected_area_cm2'),
            'cavity_pressure_bar' => $set->get('cavity_pressure_bar'),
            'bolts' => $machine->bolts,
            'bolt_proof_kn' => $machine->bolt_proof_kn,
        ], self::facts(['bolts', 'bolt_proof_kn']));
    }

    /** Until the middle of the gate no longer flows, s. */
    private function hold(PlanInput $in, Settled $set, Polymer $polymer): float
    {
        $frozen = $polymer->property('no_flow_c') ?? $set->get('eject_c');
        if ($frozen <= $set->get('mould_c') || $frozen >= $set->get('melt_c')) {
            return 0.0;
        }

        return Ask::for(new CoolingTime($this->polymers), CoolingTimeInput::class, [
            'polymer' => $in->polymer,
            'thickness_mm' => $set->get('gate_mm'),
            'melt_c' => $set->get('melt_c'),
            'mould_c' => $set->get('mould_c'),
            'eject_c' => $frozen,
        ], ['thickness_mm' => 'settings.gate_mm'])->cooling_s;
    }

    /**
     * A mould that insulates is heated through by the parts: there the closed form does not hold and the mould is
     * solved.
     */
    private function cool(PlanInput $in, Settled $set): float
    {
        $wall = [
            'polymer' => $in->polymer,
            'melt_c' => $set->get('melt_c'),
            'mould_c' => $set->get('mould_c'),
            'eject_c' => $set->get('eject_c'),
        ];
        if (! $in->mould_make->insulates()) {
            return Ask::for(
                new CoolingTime($this->polymers),
                CoolingTimeInput::class,
                $wall + ['thickness_mm' => $set->get('thickness_mm')],
            )->cooling_s;
        }
        $contact = Ask::for(new MouldContact($this->polymers), MouldContactInput::class, $wall + [
            'wall_mm' => $set->get('thickness_mm'),
            'mould' => $in->mould_make->material(),
            'mould_thickness_mm' => $set->get('mould_wall_mm'),
            'open_s' => $set->get('open_s'),
        ], ['wall_mm' => 'settings.thickness_mm', 'mould_thickness_mm' => 'settings.mould_wall_mm']);

        return $contact->cooling_s_steady ?? $contact->cooling_s_first ?? throw new InputError(
            'settings.mould_c',
            'never lets the part cool: a printed mould warms up to what it is given, so start it cooler or wait longer with it open',
        );
    }

    /** Minutes that the melt may stay at this heat; null where the library does not say how long it stands. */
    private function life(PlanInput $in, Settled $set, Polymer $polymer): ?float
    {
        if ((float) ($polymer->property('minutes_at_ceiling') ?? 0) <= 0 || $polymer->ceiling() === null) {
            return null;
        }
        $budget = Ask::for(new Budget($this->polymers), BudgetInput::class, [
            'polymer' => $in->polymer,
            'history' => [['minutes' => 0.0, 'melt_c' => $set->get('melt_c')]],
        ]);

        return round($budget->minutes_left, 1);
    }

    /** Minutes until the barrel is hot; null where the machine does not say its power and its steel. */
    private function heatUp(InjectorFacts $machine, Settled $set): ?float
    {
        $steel = new BarrelSteel($machine);

        return $steel->known()
            ? round($steel->minutes(min(self::ROOM_C, $set->get('melt_c')), $set->get('melt_c')), 1)
            : null;
    }

    /** @return list<PlanCheck> */
    private function checks(
        PlanInput $in,
        Settled $set,
        ShotResult $shot,
        ?float $available,
        ?FillResult $fill,
        ?ClampResult $clamp,
        ?float $life,
        float $hotMin,
    ): array {
        $needs = $shot->melt_volume_cm3;
        $checks = [new PlanCheck(
            'shot',
            $shot->barrel_fraction > 1 ? CheckState::Block : CheckState::Ok,
            sprintf(
                'A shot is %.0f cm³ of melt, the barrel of %s gives %.0f.',
                $needs,
                $in->machine->name,
                $shot->barrel_volume_cm3,
            ),
            round($needs, 1),
            round($shot->barrel_volume_cm3, 1),
        )];
        if ($in->mould !== null) {
            array_push($checks, ...$this->ofMould($in, $set, $in->mould));
        }
        $checks[] = PlanCheck::setPoint('barrel', $in->machine->name, $set->get('melt_c'), $in->machine->max_c);
        if ($fill !== null) {
            $checks[] = new PlanCheck(
                'fill',
                $fill->verdict === 'fills' ? CheckState::Ok : CheckState::Warn,
                match ($fill->verdict) {
                    'fills' => sprintf('Fills with %.0f bar in %.1f s.', $fill->pressure_bar, $fill->fill_s),
                    'freezes first' => sprintf(
                        'Freezes before it is full: it takes %.1f s. Fill faster, or warm the mould.',
                        $fill->fill_s,
                    ),
                    default => sprintf(
                        'Needs %.0f bar to fill. Hotter, slower, or a thicker wall.',
                        $fill->pressure_bar,
                    ),
                },
                round($fill->pressure_bar, 0),
                $available,
            );
        }
        if ($clamp !== null && ($in->machine->clamp_kn !== null || $clamp->bolts_ok !== null)) {
            $holds = $in->machine->clamp_kn === null
                ? $clamp->bolts_ok === true
                : $in->machine->clamp_kn >= $clamp->clamp_kn;
            $checks[] = new PlanCheck(
                'clamp',
                $holds ? CheckState::Ok : CheckState::Block,
                sprintf('The mould wants to be held with %.1f kN.', $clamp->clamp_kn),
                $clamp->clamp_kn,
                $in->machine->clamp_kn ?? (float) $in->machine->bolts * (float) $in->machine->bolt_proof_kn,
            );
        }
        if ($life !== null) {
            $checks[] = new PlanCheck(
                'melt_life',
                $hotMin > self::LIFE_SHARE * $life ? CheckState::Warn : CheckState::Ok,
                sprintf('The melt is hot for %.0f min before its shot and stands %.0f at this heat.', $hotMin, $life),
                round($hotMin, 1),
                $life,
            );
        }

        return array_values(array_filter($checks));
    }

    /**
     * Whether the mould goes into the machine; what the plan asks more exactly itself is left to it.
     *
     * @return list<PlanCheck|null>
     */
    private function ofMould(PlanInput $in, Settled $set, MouldFacts $mould): array
    {
        $fits = (new Fits($this->polymers))(new FitsInput($in->machine, $mould));

        return [
            ...array_map(
                static fn (FitReason $r): PlanCheck => new PlanCheck(
                    $r->id,
                    CheckState::Block,
                    $r->says,
                    $r->needs,
                    $r->has,
                ),
                $fits->reasons,
            ),
            ...array_map(
                static fn (FitReason $r): PlanCheck => new PlanCheck(
                    $r->id,
                    CheckState::Ok,
                    $r->says,
                    $r->needs,
                    $r->has,
                ),
                $fits->held,
            ),
            PlanCheck::life($mould->name, $mould->made, $set->get('shots'), $mould->life_shots),
        ];
    }

    /** @return list<string> */
    private function cautions(PlanInput $in, Polymer $polymer): array
    {
        $cautions = ['Guard shut before the plunger moves; lever parked before you reach in.'];
        if ($in->mould_make === MouldMake::PrintedResin) {
            $cautions[] = 'Printed mould: soft pad behind it, bolts finger-tight, the lowest pressure that fills. It has a life in shots.';
        } else {
            $cautions[] = 'Bolts hand-tight and even.';
        }
        if ($polymer->mustBeDried()) {
            $cautions[] = 'Dry it first; dry resin that is sucked up gives a spark.';
        }

        return $cautions;
    }

    /** @return list<UnknownFact> */
    private function unknowns(
        PlanInput $in,
        ?float $available,
        ?FillResult $fill,
        ?ClampResult $clamp,
        ?float $heatUp,
        ?float $life,
    ): array {
        $unknown = [
            'what the machine can press with' => $available === null
                ? 'Whether its pressure fills the mould is not checked.' : null,
            'way of the melt from the gate to the last place' => $fill === null
                ? 'Whether the mould fills before it freezes is not checked.' : null,
            'area of the cavities' => $clamp === null ? 'What must hold the mould shut is not known.' : null,
            'what holds the mould shut' => $clamp !== null && $in->machine->clamp_kn === null
                && $clamp->bolts_ok === null
                ? sprintf('It wants %.1f kN; whether the clamp or the bolts give that is not checked.', $clamp->clamp_kn)
                : null,
            'power and mass of the barrel' => $heatUp === null
                ? sprintf('Heating up is taken for %.0f min.', self::USUAL_HEAT_UP_MIN) : null,
            'how long this polymer stands its heat' => $life === null
                ? 'Do not leave it standing: how long it may is not known.' : null,
        ];
        $facts = [];
        foreach (array_filter($unknown, static fn (?string $effect): bool => $effect !== null) as $fact => $effect) {
            $facts[] = new UnknownFact($fact, (string) $effect);
        }

        return $facts;
    }
}
