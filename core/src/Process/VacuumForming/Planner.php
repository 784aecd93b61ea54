<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Forming\Draw;
use Dithermic\Core\Forming\DrawInput;
use Dithermic\Core\Forming\DrawResult;
use Dithermic\Core\Forming\MouldCheck;
use Dithermic\Core\Forming\MouldCheckInput;
use Dithermic\Core\Forming\UndercutKind;
use Dithermic\Core\Forming\Wall;
use Dithermic\Core\Forming\WallInput;
use Dithermic\Core\Forming\WallResult;
use Dithermic\Core\Heat\Sheet\VacuumCool;
use Dithermic\Core\Heat\Sheet\VacuumCoolInput;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Gives;
use Dithermic\Core\Process\Outline;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\Said;
use Dithermic\Core\Process\Settled;
use Dithermic\Core\Process\UnknownFact;
use Dithermic\Core\Process\Usual;
use Dithermic\Core\Vacuum\PumpDown;
use Dithermic\Core\Vacuum\PumpDownInput;
use Dithermic\Core\Vacuum\TwoStage;
use Dithermic\Core\Vacuum\TwoStageInput;

/**
 * A formed part, planned whole: blank, draw and thinnest wall, heating with earliest, best and latest, the pull against
 * the seconds in which the sheet still forms, cooling of its walls. Composed of forming.draw, forming.wall,
 * heat.vacuum_sheet, vacuum.two_stage, vacuum.pump_down and heat.vacuum_cool, whose sources and limits they state.
 *
 * A heater that nobody has measured is not taken for ideal: the plan then takes the shop's own seconds for each
 * millimetre, or asks for them, and says what would teach it (a few sheets timed by their cues, fit.heater).
 */
#[Calc(
    'plan.vacuum_forming',
    'a formed part planned whole: blank, draw, heating window, pull, walls, cooling and what is not known',
    size: 'settings.sheet_mm',
)]
final readonly class Planner
{
    public const USUAL_EXCHANGE = 0.7;

    /** a tank is full so long before it is wanted, s */
    private const FULL_BEFORE_S = 10.0;

    /** a pump is taken to have pulled when it is this near to what it can reach, kPa */
    private const NEAR_KPA = 5.0;

    /** under so much it is no wall, mm */
    private const FILM_MM = 0.01;

    /** where what is asked of a pump comes from */
    private const PUMP = [
        'speed_l_min' => 'machine.speed_l_min',
        'start_kpa' => 'machine.atmosphere_kpa',
        'ultimate_kpa' => 'machine.ultimate_kpa',
    ];

    /** and of a tank */
    private const TANK = [
        'box_l' => 'machine.box_l',
        'blower_kpa' => 'machine.blower_kpa',
        'tank_l' => 'machine.tank_l',
        'tank_kpa' => 'machine.tank_kpa',
        'atmosphere_kpa' => 'machine.atmosphere_kpa',
    ];

    /** our defaults, where neither a person nor recipe, product or library says it */
    private const USUAL = [
        'draft_deg' => 3.0,
        'margin_mm' => 25.0,
        'initial_c' => 20.0,
        'ambient_c' => 22.0,
        'transfer_s' => 4.0,
        'look_s' => 15.0,
        'look_cost_s' => 3.0,
        'heat_factor' => 1.0,
        'cool_factor' => 1.0,
        'parts' => 10.0,
        'parts_on_bed' => 1.0,
    ];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $set = $this->settle($in, $polymer);
        [$draw, $wall] = [$this->draw($set), $this->wall($set)];
        if ($wall->thinnest_mm < self::FILM_MM) {
            throw new InputError(
                'settings.sheet_mm',
                'thins to nothing over this depth: a thicker sheet, a shallower part, or more draft',
            );
        }
        $sheet = $this->sheet($in, $set);
        $normal = $sheet->sheet_normal_c ?? $this->normal($polymer);
        $by = $this->pullBy($in);
        [$end, $pullS, $curve] = $this->pull($in, $by, $sheet->form_within_s ?? null);
        $coolBy = fn (CoolHow $how): float => $set->get('cool_factor') * Ask::for(
            new VacuumCool($this->polymers),
            VacuumCoolInput::class,
            [
                'polymer' => $in->polymer,
                'wall_mm' => [$wall->thinnest_mm, $set->get('sheet_mm')],
                'sheet_c' => $normal,
                'mould_c' => $set->get('mould_c'),
                'air_c' => $set->get('ambient_c'),
                'release_c' => $set->get('release_c'),
                'fan' => $how->fan(),
            ],
            ['wall_mm' => 'settings.sheet_mm', 'air_c' => 'settings.ambient_c'],
        )->release_s;
        $cools = array_combine(
            array_column(CoolHow::cases(), 'value'),
            array_map($coolBy, CoolHow::cases()),
        );
        $cool = $cools[$in->cool_how->value];
        $heat = $sheet?->ready_s === null ? $this->byClock($set) : $set->get('heat_factor') * $sheet->ready_s;
        $limit = $sheet?->limit_s === null ? null : $set->get('heat_factor') * $sheet->limit_s;
        $bed = $this->bed($in, $set);
        $rim = 2 * $set->get('margin_mm');
        $blank = [round($bed->length_mm + $rim, 1), round($bed->width_mm + $rim, 1)];
        $onBed = (int) $set->get('parts_on_bed');
        $density = (float) $polymer->property('density_g_cm3');
        $mass = $blank[0] * $blank[1] * $set->get('sheet_mm') * $density / 1000;
        $least = $set->optional('least_wall_mm');
        $again = FormedAgain::of($set->get('sheet_mm'), $wall->thinnest_mm, $least);
        // It comes off the mould no colder than it may: so warm it goes back under the heater.
        $reheat = $this->sheet($in, $set, $set->get('release_c'))?->ready_s;
        $timers = [
            new PlannedTimer('heat', round($heat / 60, 3), $sheet?->ready_s === null
                ? 'your seconds for each mm: the heater is not known'
                : 'the sheet is hot through'),
            new PlannedTimer('cool', round($cool / 60, 3), 'its slowest wall may come off'),
        ];
        $targets = [
            'heat_min' => $timers[0]->minutes,
            'limit_min' => $limit === null ? null : round($limit / 60, 3),
            'form_within_s' => $sheet?->form_within_s,
            'look_min' => round($set->get('look_s') / 60, 3),
            'look_cost_min' => round($set->get('look_cost_s') / 60, 4),
            'cool_min' => $timers[1]->minutes,
            'sheet_normal_c' => round($normal, 1),
            'mould_c' => $set->get('mould_c'),
            'heater_c' => $in->machine->heater_c,
            'end_kpa' => $end,
            'seal_kpa' => $end === null ? null : round($end + self::NEAR_KPA, 1),
            'thinnest_mm' => round($wall->thinnest_mm, 2),
            'least_wall_mm' => $least,
            'again_heat_min' => round(($reheat === null ? $heat : $set->get('heat_factor') * $reheat) / 60, 3),
            'again_most' => count($again),
            'again_mm' => $again[0]->thinnest_mm ?? null,
            'blank_length_mm' => $blank[0],
            'blank_width_mm' => $blank[1],
            'sheet_mm' => $set->get('sheet_mm'),
            'blank_g' => round($mass, 1),
            // What lies inside the clamped opening becomes the part, whatever it is drawn to; the rim is cut off.
            'trim_g' => round($mass * (1 - $onBed * self::opening($set) / ($blank[0] * $blank[1])), 1),
            'parts_per_piece' => (float) $onBed,
            'pieces' => ceil($set->get('parts') / $onBed),
        ];
        $result = new PlanResult(
            $set->list(),
            (object) $targets,
            $timers,
            new PlannedCharge(round($mass, 1), null, 'cut'),
            $this->checks($in, $set, $polymer, $draw, $wall, $sheet, $blank, $pullS),
            $this->cautions($polymer),
            $this->unknowns($in, $set, $sheet, $by),
            $sheet,
            $draw,
            $wall,
            $blank[0],
            $blank[1],
            $end,
            $pullS,
            $curve,
            round($cool, 1),
            $in->machine->heater_c,
            $in->machine->exchange ?? self::USUAL_EXCHANGE,
            $in->machine->sides,
            $by,
            $in->cool_how,
            Valves::of($by, $in->cool_how),
            $by === PullBy::Pump || $by === null ? null : $this->tank($in, $heat),
            self::clamped($in, $set),
            $again,
            $bed,
            [...$this->pulls($in, $sheet->form_within_s ?? null), ...Gives::each('cool_how', [
                CoolHow::Held->value => sprintf(
                    'off the mould after %.0f s, its shape kept',
                    $cools[CoolHow::Held->value],
                ),
                CoolHow::HeldFan->value => sprintf(
                    'off the mould after %.0f s, its shape kept',
                    $cools[CoolHow::HeldFan->value],
                ),
                CoolHow::Off->value => sprintf(
                    'off the mould after %.0f s; it may creep from it as it shrinks',
                    $cools[CoolHow::Off->value],
                ),
            ])],
        );

        return $result->explain(sprintf(
            'Blank %.0f × %.0f mm; %s; thinnest wall %.2f mm; off the mould after %.0f s. %s',
            $blank[0],
            $blank[1],
            $sheet?->ready_s === null
                ? sprintf('by the clock %.0f s of heat', $heat)
                : sprintf('%.0f s of heat%s', $heat, $limit === null ? '' : sprintf(', at most %.0f', $limit)),
            $wall->thinnest_mm,
            $cool,
            $again === [] ? 'A spoiled sheet is not formed again: its wall would be thinner than the product takes.' : sprintf(
                'A spoiled sheet may be formed again %d times: %s mm.',
                count($again),
                implode(
                    ', then ',
                    array_map(static fn (FormedAgain $a): string => sprintf('%.2f', $a->thinnest_mm), $again),
                ),
            ),
        ));
    }

    /** @throws InputError naming the setting */
    private function settle(PlanInput $in, Polymer $polymer): Settled
    {
        $polymer->mustBeWorkedBy('vacuum_forming', 'forming');
        $release = $polymer->process('vacuum_forming')->mayNumber('release_c') ?? $polymer->property('demould_c');
        $said = Said::of($in->settings, $in->recipe, $in->recipe_name, $in->product, $in->mould);
        $settled = Settled::of(FormedSettings::class, $said, [
            'mould_c' => Usual::window($polymer, 'vacuum_forming', 'mould_c'),
            'release_c' => new Usual($release, $polymer->origin('process.vacuum_forming.release_c')),
        ] + array_map(static fn (float $value): Usual => new Usual($value), self::USUAL));
        $unsaid = 'is required: neither the product nor a recipe says it';
        $settled->mustHave([
            'depth_mm' => $unsaid,
            'sheet_mm' => $unsaid,
            'mould_c' => "{$polymer->code} has no window for forming: set the mould temperature",
            'release_c' => 'is not known of this polymer: say at which temperature it keeps its shape',
        ]);
        if (! $settled->has('base_diameter_mm') && ! ($settled->has('length_mm') && $settled->has('width_mm'))) {
            throw new InputError('settings.length_mm', 'give both sides of the part, or its diameter');
        }

        return $settled;
    }

    private function normal(Polymer $polymer): float
    {
        return $polymer->process('vacuum_forming')->mayNumber('sheet_normal_c') ?? throw new InputError(
            'polymer',
            "{$polymer->code} has no window for forming: its sheet's temperature is not known",
        );
    }

    /**
     * Where the heater is not known, or never gets there: the shop's own seconds for each millimetre. None ship with
     * us.
     *
     * @throws InputError where the shop has no such rule
     */
    private function byClock(Settled $set): float
    {
        $set->mustHave(['heat_s_per_mm' => 'this heater is not known: enter its temperature on the machine, or how many seconds you give each mm']);

        return $set->get('heat_s_per_mm') * $set->get('sheet_mm');
    }

    /** Side of the blank: the part and its margin. */
    /** As far apart as they are high, where nobody said how far, mm. */
    private static function spacing(Settled $set): float
    {
        return $set->optional('spacing_mm') ?? $set->get('depth_mm');
    }

    private function bed(PlanInput $in, Settled $set): BedLayout
    {
        if (fmod($set->get('parts_on_bed'), 1.0) !== 0.0) {
            throw new InputError('settings.parts_on_bed', 'must be a whole number of parts');
        }
        $round = $set->optional('base_diameter_mm');

        return BedLayout::of(
            (int) $set->get('parts_on_bed'),
            $round ?? $set->get('length_mm'),
            $round ?? $set->get('width_mm'),
            self::spacing($set),
            $set->get('margin_mm'),
            [$in->machine->bed_length_mm, $in->machine->bed_width_mm],
        );
    }

    /** Of the sheet, that the part is drawn from, mm². */
    private static function opening(Settled $set): float
    {
        return Outline::of(
            $set->optional('base_diameter_mm'),
            $set->optional('length_mm'),
            $set->optional('width_mm'),
            $set->optional('corner_radius_mm'),
        )?->areaMm2() ?? 0.0;
    }

    private function draw(Settled $set): DrawResult
    {
        $round = $set->optional('base_diameter_mm');

        return Ask::for(new Draw, DrawInput::class, [
            'shape' => $round === null ? 'box' : 'cone',
            'height_mm' => $set->get('depth_mm'),
            'sheet_mm' => $set->get('sheet_mm'),
            'length_mm' => $round === null ? $set->get('length_mm') : null,
            'width_mm' => $round === null ? $set->get('width_mm') : null,
            'base_diameter_mm' => $round,
            'draft_deg' => $set->get('draft_deg'),
        ], ['height_mm' => 'settings.depth_mm']);
    }

    /** By the round part of the narrower side: a box thins in its corners as that does, or less. */
    private function wall(Settled $set): WallResult
    {
        $round = $set->optional('base_diameter_mm') ?? min($set->get('length_mm'), $set->get('width_mm'));

        return Ask::for(new Wall, WallInput::class, [
            'base_diameter_mm' => $round,
            'depth_mm' => $set->get('depth_mm'),
            'draft_deg' => $set->get('draft_deg'),
            'sheet_mm' => $set->get('sheet_mm'),
            'corner_radius_mm' => $set->optional('corner_radius_mm'),
        ], ['base_diameter_mm' => 'settings.width_mm']);
    }

    /** @return array<string, float|int|string> the sheet in its frame, whatever heats it: of heat.vacuum_sheet, and to learn by */
    private static function clamped(PlanInput $in, Settled $set): array
    {
        return [
            'polymer' => $in->polymer,
            'thickness_mm' => $set->get('sheet_mm'),
            'initial_c' => $set->get('initial_c'),
            'sides' => $in->machine->sides,
            'ambient_c' => $set->get('ambient_c'),
            'transfer_s' => $set->get('transfer_s'),
        ];
    }

    /** @param  float|null  $from  of the sheet as it comes under the heater, °C; as it is set unless given */
    private function sheet(PlanInput $in, Settled $set, ?float $from = null): ?VacuumSheetResult
    {
        if ($in->machine->heater_c === null) {
            return null;
        }

        return Ask::for(new VacuumSheet($this->polymers), VacuumSheetInput::class, [
            'heater_c' => $in->machine->heater_c,
            'exchange' => $in->machine->exchange ?? self::USUAL_EXCHANGE,
        ] + ($from === null ? [] : ['initial_c' => $from]) + self::clamped($in, $set), [
            'thickness_mm' => 'settings.sheet_mm',
            'heater_c' => 'machine.heater_c',
            'exchange' => 'machine.exchange',
        ]);
    }

    private function pullBy(PlanInput $in): ?PullBy
    {
        $there = $this->pullsBy($in->machine);
        if ($in->pull_by !== null && ! in_array($in->pull_by, $there, true)) {
            throw new InputError(
                'pull_by',
                "asks for what {$in->machine->name} is not known to have: enter its tank, blower or pump first",
            );
        }

        return $in->pull_by ?? $there[0] ?? null;
    }

    /** @return list<PullBy> that a former has, the default first */
    private function pullsBy(FormerFacts $m): array
    {
        $box = $m->box_l !== null;
        $tank = $box && $m->tank_l !== null && $m->tank_kpa !== null;

        return array_values(array_filter([
            $tank && $m->blower_kpa !== null ? PullBy::BlowerThenTank : null,
            $tank ? PullBy::Tank : null,
            $box && $m->speed_l_min !== null ? PullBy::Pump : null,
        ]));
    }

    /** @return list<Gives> */
    private function pulls(PlanInput $in, ?float $within): array
    {
        $says = [];
        foreach ($this->pullsBy($in->machine) as $by) {
            [$end, $seconds] = $this->pull($in, $by, $within);
            $says[$by->value] = sprintf(
                '%.0f %% of what is possible here%s',
                100 * (1 - (float) $end / $in->machine->atmosphere_kpa),
                $seconds === null ? '' : sprintf(', after %.1f s', $seconds),
            );
        }

        return Gives::each('pull_by', $says);
    }

    /** @return array{?float, ?float, list<\Dithermic\Core\Vacuum\PressurePoint>} kPa at the end, seconds to it, and the way */
    private function pull(PlanInput $in, ?PullBy $by, ?float $within): array
    {
        $m = $in->machine;
        if ($by === null) {
            return [null, null, []];
        }
        if ($by === PullBy::Pump) {
            $target = ($m->ultimate_kpa ?? 0.0) + self::NEAR_KPA;
            $down = Ask::for(new PumpDown, PumpDownInput::class, [
                'volume_l' => $m->box_l,
                'speed_l_min' => $m->speed_l_min,
                'start_kpa' => $m->atmosphere_kpa,
                'target_kpa' => $target,
                'ultimate_kpa' => $m->ultimate_kpa ?? 0.0,
                'form_within_s' => $within,
            ], ['target_kpa' => 'machine.ultimate_kpa', 'volume_l' => 'machine.box_l'] + self::PUMP);

            return [round($target, 1), round($down->seconds, 1), $down->curve];
        }
        $two = Ask::for(new TwoStage, TwoStageInput::class, [
            'box_l' => $m->box_l,
            'blower_kpa' => $by === PullBy::Tank ? $m->atmosphere_kpa : $m->blower_kpa,
            'tank_l' => $m->tank_l,
            'tank_kpa' => $m->tank_kpa,
            'atmosphere_kpa' => $m->atmosphere_kpa,
            'form_within_s' => $within,
        ], self::TANK);

        return [round($two->after_tank_kpa, 1), $two->seconds_to_target, $two->curve];
    }

    /** When its pump goes on, so that it is full as the sheet is hot. */
    private function tank(PlanInput $in, float $heatS): ?TankFill
    {
        $m = $in->machine;
        $lowest = $m->ultimate_kpa ?? 0.0;
        if ($m->tank_l === null || $m->tank_kpa === null || $m->speed_l_min === null || $m->tank_kpa <= $lowest) {
            return null;
        }
        $fill = Ask::for(new PumpDown, PumpDownInput::class, [
            'volume_l' => $m->tank_l,
            'speed_l_min' => $m->speed_l_min,
            'start_kpa' => $m->atmosphere_kpa,
            'target_kpa' => $m->tank_kpa,
            'ultimate_kpa' => $lowest,
        ], ['target_kpa' => 'machine.tank_kpa', 'volume_l' => 'machine.tank_l'] + self::PUMP)->seconds;

        return new TankFill(
            round($fill, 1),
            round($heatS - $fill - self::FULL_BEFORE_S, 1),
            $m->tank_kpa,
            round(100 * (1 - $m->tank_kpa / $m->atmosphere_kpa), 1),
        );
    }

    /** Between high ones that stand too near the sheet bridges and folds: a web. As far apart as they are high. */
    private function apart(MouldFacts $mould, Settled $set): ?PlanCheck
    {
        if ($set->get('parts_on_bed') <= 1 || $mould->side === MouldSide::Female) {
            return null;
        }
        $near = self::spacing($set) < $set->get('depth_mm') - 1e-9;

        return new PlanCheck(
            'apart',
            $near ? CheckState::Warn : CheckState::Ok,
            $near
                ? sprintf(
                    '%.0f mm apart and %.0f mm high: the sheet webs between them. As far apart as they are high.',
                    self::spacing($set),
                    $set->get('depth_mm'),
                )
                : 'Far enough apart for the sheet to come down between them.',
            $set->get('depth_mm'),
            self::spacing($set),
        );
    }

    /** Whether the hot sheet's touch makes a mould soft; null where nobody knows what it is or stands. */
    private function soft(PlanInput $in, MouldFacts $mould, Settled $set): ?PlanCheck
    {
        if ($mould->made_of === null || $mould->softens_c === null) {
            return null;
        }
        $face = $mould->made_of->touched(
            $this->normal($this->polymers->get($in->polymer)),
            $set->get('mould_c'),
            (new MaterialInput(polymer: $in->polymer))->thermal($this->polymers),
        );
        $soft = $face > $mould->softens_c;

        return new PlanCheck(
            'soft_mould',
            $soft ? CheckState::Warn : CheckState::Ok,
            sprintf(
                $soft
                    ? 'The sheet brings its face to %.0f °C, and it softens at %.0f °C: let it go cold between parts.'
                    : 'The sheet brings its face to %.0f °C; it stands %.0f °C.',
                $face,
                $mould->softens_c,
            ),
            $mould->softens_c,
            round($face, 0),
        );
    }

    /**
     * Draft, vents, corners and undercuts by the rules of forming.mould_check, where it is known which side the sheet
     * lies on.
     *
     * @return list<PlanCheck>
     */
    private function ofMould(PlanInput $in, Settled $set, Polymer $polymer): array
    {
        $mould = $in->mould;
        if ($mould === null) {
            return [];
        }
        $checks = [
            PlanCheck::life($mould->name, $mould->made, $set->get('parts'), $mould->life_parts),
            $this->apart($mould, $set),
            $this->soft($in, $mould, $set),
        ];
        if ($mould->side === null) {
            return array_values(array_filter($checks));
        }
        $found = Ask::for(new MouldCheck, MouldCheckInput::class, [
            'draft_deg' => $set->optional('draft_deg'),
            'male' => $mould->side === MouldSide::Male,
            'texture_depth_mm' => $mould->texture_mm ?? 0.0,
            'has_cavities' => $mould->cavities === null ? null : $mould->cavities > 0,
            'vent_diameter_mm' => (float) $mould->vent_mm > 0 ? $mould->vent_mm : null,
            'sheet_mm' => $set->get('sheet_mm'),
            'corner_radius_mm' => $set->optional('corner_radius_mm'),
            'undercut_mm' => $mould->undercut_mm,
            'polymer' => $polymer->code,
            'half_width_mm' => $this->halfWidth($set),
            'undercut_kind' => ($mould->undercut_kind ?? UndercutKind::Ring)->value,
            'clip_depth_mm' => $mould->clip_depth_mm,
        ]);
        foreach ($found->findings as $finding) {
            $checks[] = new PlanCheck("mould_{$finding->id}", match ($finding->severity) {
                'stop' => CheckState::Block,
                'warn' => CheckState::Warn,
                default => CheckState::Ok,
            }, $finding->severity === 'ok'
                ? "{$finding->what}: right."
                : "{$finding->what}. {$finding->because} {$finding->do}");
        }

        return array_values(array_filter($checks));
    }

    private function halfWidth(Settled $set): ?float
    {
        $across = $set->optional('base_diameter_mm') ?? $set->optional('width_mm');

        return $across === null ? null : $across / 2;
    }

    /**
     * @param  array{float, float}  $blank
     * @return list<PlanCheck>
     */
    private function checks(
        PlanInput $in,
        Settled $set,
        Polymer $polymer,
        DrawResult $draw,
        WallResult $wall,
        ?VacuumSheetResult $sheet,
        array $blank,
        ?float $pullS,
    ): array {
        $checks = $this->ofMould($in, $set, $polymer);
        $most = $polymer->process('vacuum_forming')->mayNumber('max_area_draw_ratio');
        if ($most !== null) {
            $checks[] = new PlanCheck(
                'draw',
                $draw->areal_draw_ratio > $most ? CheckState::Block : CheckState::Ok,
                sprintf(
                    'It stretches %.2f times its area; %s takes %.1f.',
                    $draw->areal_draw_ratio,
                    $polymer->code,
                    $most,
                ),
                round($draw->areal_draw_ratio, 2),
                (float) $most,
            );
        }
        $least = $set->optional('least_wall_mm');
        if ($least !== null) {
            $checks[] = new PlanCheck(
                'wall',
                $wall->thinnest_mm < $least ? CheckState::Warn : CheckState::Ok,
                sprintf('Its thinnest wall, at the %s, is %.2f mm.', $wall->where, $wall->thinnest_mm),
                $least,
                round($wall->thinnest_mm, 2),
            );
        }
        $checks[] = PlanCheck::bed(
            'bed',
            'The blank',
            $blank,
            'the frame takes',
            [$in->machine->bed_length_mm, $in->machine->bed_width_mm],
        );
        if ($sheet !== null && $sheet->ready_s === null) {
            $checks[] = new PlanCheck('heat', CheckState::Block, 'This heater never gets the sheet hot through.');
        } elseif ($sheet !== null && $sheet->window_s !== null) {
            $checks[] = new PlanCheck(
                'window',
                $sheet->window_s < $set->get('look_s') ? CheckState::Warn : CheckState::Ok,
                sprintf('Between hot enough and too hot there are %.0f s.', $sheet->window_s),
                $set->get('look_s'),
                round($sheet->window_s, 0),
            );
        }
        if ($pullS !== null && $sheet?->form_within_s !== null) {
            $checks[] = new PlanCheck(
                'pull',
                $pullS > $sheet->form_within_s ? CheckState::Warn : CheckState::Ok,
                sprintf('The pull takes %.1f s, the sheet forms for %.1f s.', $pullS, $sheet->form_within_s),
                round($pullS, 1),
                round($sheet->form_within_s, 1),
            );
        }

        return array_values(array_filter($checks));
    }

    /** @return list<string> */
    private function cautions(Polymer $polymer): array
    {
        $cautions = ['Heater and hot sheet: gloves, and nothing that burns under it. Extract what it gives off.'];
        if ($polymer->mustBeDried()) {
            $cautions[] = 'Wet sheet blisters: dry it first.';
        }

        return $cautions;
    }

    /** @return list<UnknownFact> */
    private function unknowns(PlanInput $in, Settled $set, ?VacuumSheetResult $sheet, ?PullBy $by): array
    {
        $facts = [];
        if ($sheet === null) {
            $facts[] = new UnknownFact(
                'temperature of the heater',
                'The time is your own for each mm: five sheets timed by what is seen teach this heater.',
            );
        }
        if ($by === null) {
            $facts[] = new UnknownFact(
                'what pulls: tank, blower or pump, and the air under the sheet',
                'Whether it pulls deep and soon enough is not checked.',
            );
        }
        if ($in->machine->bed_length_mm === null) {
            $facts[] = new UnknownFact('frame of the former', 'Whether the blank fits is not checked.');
        }
        if (! $set->has('least_wall_mm')) {
            $facts[] = new UnknownFact(
                'least wall that the product takes',
                'Whether its thinnest place is enough is for you to say.',
            );
        }

        return $facts;
    }
}
