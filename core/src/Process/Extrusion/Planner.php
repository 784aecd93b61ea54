<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Charge\ProfileResult;
use Dithermic\Core\Heat\Bath\BarInBath;
use Dithermic\Core\Heat\Bath\BarInBathInput;
use Dithermic\Core\Heat\Bath\BarInBathResult;
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
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Safety\MachineRules;

/**
 * Bars into closed moulds, planned whole: mass with overflow and purge, fill, chilling the nozzle end, the tank until
 * the bar may be stripped, moulds in circulation, output of the shift, lifting. Composed of charge.profile and
 * heat.bar_in_bath, whose sources and limits they state.
 *
 * Moulds in circulation: the machine stands while a mould's nozzle end is chilled and the next one is put on, and fills
 * the others while one is in the tank. A bar comes as often as the fullest allows: the machine, the tank's places, the
 * moulds (Little's law: n of them over the time that each is out) or the hands. The shift begins cold
 * (Schedule\RunLength).
 */
#[Calc(
    'plan.extrusion',
    'bars into moulds planned whole: mass, fill, chill, tank, moulds in circulation, output and what is not known',
    size: 'settings.width_mm',
)]
final readonly class Planner
{
    /** parts of the way to the middle at which the skin's time is asked for */
    private const SKINS = 10;

    /** so much colder a tank is asked about, K, and no colder than water from a chiller is, °C */
    private const COOLER_K = 10.0;

    private const COLDEST_C = 5.0;

    /** of the cells, where only the ratio of two baths is wanted: both get the same of it wrong */
    private const COARSE = 0.5;

    private const CAUTIONS = [
        'A locked mould is under pressure: chill its nozzle end before it comes off, and stand aside.',
        'Water on hot steel throws steam: lower it in slowly.',
    ];

    /** our defaults, where neither a person nor recipe, product or library says it */
    private const USUAL = [
        'overflow_pct' => 3.0,
        'purge_g' => 150.0,
        'swap_s' => 60.0,
        'plug_mm' => 3.0,
        'moulds' => 3.0,
        'bars' => 12.0,
        'cool_factor' => 1.0,
        'void_limit_pct' => 5.0,
        'shift_h' => 8.0,
        'age_s' => 60.0,
        'size_tolerance_mm' => 0.3,
        'look_min' => 5.0,
    ];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $set = $this->settle($in, $polymer);
        $off = TakeOff::of($set);
        $vent = Vent::of($in->venting, $in->machine);
        if ($off !== TakeOff::Mould) {
            return (new FreeRun($this->polymers))->plan($in, $set, $off, $this->barrel($in, $set), $vent);
        }
        $bar = (new Section($this->polymers))->of($in, $set, $set->get('length_mm'), $set->get('overflow_pct'));
        $bath = $this->bath($in, $set);
        $fill = Section::seconds($in, $bar);
        $factor = $set->get('cool_factor');
        $chill = 60 * $factor * (float) ($bath->minutes_to_skin_mm[0]->minutes ?? 0.0);
        $core = 60 * $factor * (float) ($bath->minutes_to_core ?? 0.0);
        $carries = $bath->strip_s === null ? $core : $factor * $bath->strip_s;
        $strip = $in->strip_rule === StripRule::CoreCold ? $core : $carries;
        $swap = $set->get('swap_s');
        $moulds = (int) max(1.0, round($set->get('moulds')));
        $timers = [
            new PlannedTimer('fill', round($fill / 60, 3), 'mass over what the machine gives'),
            new PlannedTimer('chill', round($chill / 60, 3), sprintf(
                'a skin of %.0f mm holds the melt back',
                $set->get('plug_mm'),
            )),
            new PlannedTimer(
                'tank',
                round($strip / 60, 3),
                $strip === $core ? 'the core is cold' : $bath->strip_because,
            ),
        ];
        $targets = [
            'melt_c' => $set->get('melt_c'),
            'barrel_ready_c' => $set->get('melt_c') - PlanResult::READY_WITHIN_K,
            'bath_c' => $set->get('bath_c'),
            'charge_mass_g' => round($bar->charge_mass_g, 1),
            'purge_g' => $set->get('purge_g'),
            'vent_pulls_bar' => $vent->pulls_bar,
            'vent_leaves_share' => $vent->leaves_share,
            'bar_mass_g' => round($bar->part_mass_g, 1),
            'length_mm' => $set->get('length_mm'),
            'section_area_mm2' => round($bar->section_area_mm2, 2),
            'void_limit_pct' => $set->get('void_limit_pct'),
            'fill_min' => $timers[0]->minutes,
            'chill_min' => $timers[1]->minutes,
            'tank_min' => $timers[2]->minutes,
            'rest_min' => round(max(0.0, $core - $strip) / 60, 1),
            'pieces' => $set->get('bars'),
            'moulds' => $moulds,
            'tank_places' => $in->machine->tank_places,
            'half_swap_min' => round($swap / 120, 3),
        ];
        $procedure = new Procedure(TakeOff::Mould->procedure());
        $circulation = Circulation::of($procedure, $targets, 60 * $set->get('shift_h'));
        $shift = 60 * $set->get('shift_h');
        $with = static fn (array $other): Circulation => Circulation::of($procedure, $other + $targets, $shift);
        $more = $with(['moulds' => $moulds + 1]);
        $cooler = $this->cooler($in, $set, $chill, $strip, $with);
        $targets['cycle_s'] = $circulation->cycle_s;
        $result = new PlanResult(
            $set->list(),
            (object) $targets,
            $timers,
            new PlannedCharge(round($bar->charge_mass_g, 1), null, 'by_volume'),
            $this->checks($in, $set, $bar, $bath),
            [...self::CAUTIONS, ...$vent->cautions()],
            $this->unknowns($in, $set),
            $bar,
            $bath,
            round($chill, 1),
            round($strip, 1),
            $circulation->cycle_s,
            $circulation->moulds_needed,
            $circulation->bars,
            $more->bars,
            $in->strip_rule,
            $vent->how,
            held_by: $circulation->held_by,
            cooler_bath: $cooler,
            gives: [
                ...Gives::each('strip_rule', array_map(
                    static fn (float $s): string => sprintf(
                        '%.1f min in the tank, %d bars a shift',
                        $s / 60,
                        $with(['tank_min' => round($s / 60, 3)])->bars,
                    ),
                    [StripRule::SkinCarries->value => $carries, StripRule::CoreCold->value => $core],
                )),
                ...Vent::gives($in->machine, $polymer, $set->get('melt_c'), $set->get('void_limit_pct')),
            ],
        );

        return $result->explain(sprintf(
            '%.0f g a bar, filled in %.1f min, %.1f min in the tank. %d moulds are enough; with %d it makes %d bars in %.0f h from cold, one each %.1f min: the %s holds it back. One mould more makes %d%s.',
            $bar->part_mass_g,
            $fill / 60,
            $strip / 60,
            $result->moulds_needed,
            $moulds,
            $result->bars_shift,
            $set->get('shift_h'),
            $circulation->cycle_s / 60,
            $circulation->held_by,
            $more->bars,
            $cooler === null ? '' : sprintf(', a tank at %.0f °C %d', $cooler->bath_c, $cooler->bars_shift),
        ));
    }

    /** @throws InputError naming the setting */
    private function settle(PlanInput $in, Polymer $polymer): Settled
    {
        $polymer->mustBeWorkedBy('extrusion', 'extrusion');
        $said = Said::of($in->settings, $in->recipe, $in->recipe_name, $in->product, $in->mould);
        $settled = Settled::of(BarSettings::class, $said, [
            'melt_c' => Usual::window($polymer, 'extrusion', 'melt_c'),
            'bath_c' => new Usual(
                $in->machine->bath_c ?? 20.0,
                $in->machine->bath_c === null ? Usual::PRACTICE : $in->machine->name,
            ),
        ] + array_map(static fn (float $value): Usual => new Usual($value), self::USUAL));
        $settled->mustHave((TakeOff::of($settled) === TakeOff::Strips ? [] : [
            'length_mm' => 'is required: neither the product nor a recipe says it',
        ]) + [
            'melt_c' => "{$polymer->code} has no window for extrusion: set the melt temperature",
        ]);
        if (! $settled->has('diameter_mm') && ! ($settled->has('width_mm') && $settled->has('height_mm'))) {
            throw new InputError('settings.width_mm', 'give both sides of the section, or its diameter');
        }

        return $settled;
    }

    /**
     * The same shift in colder water; null where it is as cold as water gets.
     *
     * @param  float  $chill  of the nozzle end as it is planned, s
     * @param  float  $strip  in the tank as it is planned, s
     * @param  callable(array<string, float>): Circulation  $with  what moulds make of a shift with other minutes
     */
    private function cooler(PlanInput $in, Settled $set, float $chill, float $strip, callable $with): ?CoolerBath
    {
        $bathC = max(self::COLDEST_C, $set->get('bath_c') - self::COOLER_K);
        if ($bathC >= $set->get('bath_c')) {
            return null;
        }
        $coarse = fn (float $c): BarInBathResult => (new BarInBath($this->polymers))(Reader::read(
            BarInBathInput::class,
            ['bath_c' => $c, 'skin_mm' => [$set->get('plug_mm')]] + $this->bathInput($in, $set),
        ), self::COARSE);
        [$now, $then] = [$coarse($set->get('bath_c')), $coarse($bathC)];
        $core = $in->strip_rule === StripRule::CoreCold || $now->strip_s === null || $then->strip_s === null;
        $sooner = static fn (?float $was, ?float $is): float => $was > 0.0 && $is !== null ? $is / $was : 1.0;
        $strip *= $core
            ? $sooner($now->minutes_to_core, $then->minutes_to_core)
            : $sooner($now->strip_s, $then->strip_s);
        $chill *= $sooner($now->minutes_to_skin_mm[0]->minutes, $then->minutes_to_skin_mm[0]->minutes);

        return new CoolerBath(
            $bathC,
            round($strip, 1),
            $with(['tank_min' => round($strip / 60, 3), 'chill_min' => round($chill / 60, 3)])->bars,
        );
    }

    /** @return array<string, mixed> */
    private function bathInput(PlanInput $in, Settled $set): array
    {
        return [
            'polymer' => $in->polymer,
            'melt_c' => $set->get('melt_c'),
            'bath_c' => $set->get('bath_c'),
            'length_mm' => $set->get('length_mm'),
            'span_mm' => $set->optional('span_mm'),
        ] + Section::sides($set);
    }

    private function bath(PlanInput $in, Settled $set): BarInBathResult
    {
        $round = $set->optional('diameter_mm');
        $half = ($round ?? min($set->optional('width_mm') ?? INF, $set->optional('height_mm') ?? INF)) / 2;
        // The plug at the nozzle end, and the growing skin for its picture.
        $skins = is_finite($half) ? array_map(
            static fn (int $part): float => max(0.01, $part / self::SKINS * $half),
            range(1, self::SKINS - 1),
        ) : [];

        return Ask::for(
            new BarInBath($this->polymers),
            BarInBathInput::class,
            ['skin_mm' => [$set->get('plug_mm'), ...$skins]] + $this->bathInput($in, $set),
            ['skin_mm.0' => 'settings.plug_mm'],
        );
    }

    private function barrel(PlanInput $in, Settled $set): ?PlanCheck
    {
        return PlanCheck::setPoint('barrel', $in->machine->name, $set->get('melt_c'), $in->machine->max_c);
    }

    /** @return list<PlanCheck> */
    private function checks(PlanInput $in, Settled $set, ProfileResult $bar, BarInBathResult $bath): array
    {
        $checks = [
            $this->barrel($in, $set),
        ];
        if ($in->mould !== null) {
            $each = $set->get('bars') / max(1.0, $set->get('moulds'));
            $checks[] = PlanCheck::life(
                $in->mould->name,
                (float) $in->mould->made / max(1.0, $set->get('moulds')),
                $each,
                $in->mould->life_fills,
            );
        }
        if ($in->machine->tank_places !== null) {
            $checks[] = new PlanCheck(
                'tank',
                $set->get('moulds') > $in->machine->tank_places ? CheckState::Warn : CheckState::Ok,
                sprintf('The tank takes %.0f moulds.', $in->machine->tank_places),
                $set->get('moulds'),
                $in->machine->tank_places,
            );
        }
        if ($set->has('mould_kg')) {
            $weight = $set->get('mould_kg') + $bar->part_mass_g / 1000;
            $checks[] = new PlanCheck(
                'lifting',
                $weight > MachineRules::BY_HAND_KG ? CheckState::Warn : CheckState::Ok,
                $weight > MachineRules::BY_HAND_KG
                    ? sprintf('A full mould is %.0f kg: a hoist, or two people, by your local rules.', $weight)
                    : sprintf('A full mould is %.0f kg.', $weight),
                round($weight, 1),
                MachineRules::BY_HAND_KG,
            );
        }
        if ($bath->strip_s === null) {
            $checks[] = new PlanCheck(
                'strip',
                CheckState::Warn,
                'Its skin alone never carries it over that span: it stays in the mould until the core is cold.',
            );
        }

        return array_values(array_filter($checks));
    }

    /** @return list<UnknownFact> */
    private function unknowns(PlanInput $in, Settled $set): array
    {
        $facts = [];
        if (! $set->has('mould_kg')) {
            $facts[] = new UnknownFact('weight of the mould', 'Whether one person may lift it is not checked.');
        }
        if ($in->machine->tank_places === null) {
            $facts[] = new UnknownFact(
                'places in the tank',
                'How many moulds cool at once is taken for as many as there are.',
            );
        }

        return $facts;
    }
}
