<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Heat\Barrel\BarrelSoak;
use Dithermic\Core\Heat\Barrel\BarrelSoakInput;
use Dithermic\Core\Heat\Bath\BarInBath;
use Dithermic\Core\Heat\Bath\BarInBathInput;
use Dithermic\Core\Heat\Dwell\Budget;
use Dithermic\Core\Heat\Dwell\BudgetInput;
use Dithermic\Core\Heat\Dwell\BudgetResult;
use Dithermic\Core\Heat\Dwell\Stay;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Heat\Wall\MouldContact;
use Dithermic\Core\Heat\Wall\MouldContactInput;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\Process;

/**
 * The times of a set-up, each from the calculation that carries it, at the targets found. A time that would spoil the
 * material is not handed out: its reason stands in its place.
 */
final class Times
{
    /** parts in a row until a mould is as warm as it gets */
    private const CYCLES = 12;

    /** a mould with water through it, W/m2K of its cavity */
    private const HELD_W_M2K = 3000.0;

    private const TAMPED = 0.15;

    private const LOOSE = 0.55;

    /** the coldest heater looked at, °C, and how often the span to the one given is halved */
    private const COOLEST_HEATER_C = 100.0;

    private const HALVINGS = 8;

    /** @var list<Timer> */
    public array $timers = [];

    /** @var list<string> why a time is missing, and what else the calculations say */
    public array $missing = [];

    public ?float $hottest_heater_c = null;

    public function __construct(private readonly PolymerLibrary $polymers)
    {
    }

    /** @param  array<string, SetPoint>  $settings */
    public function of(RecommendInput $in, Polymer $polymer, array $settings): self
    {
        match ($in->process) {
            Process::Compression => $this->attempt(fn () => $this->press($in, $polymer, $settings)),
            Process::Injection => $this->injection($in, $polymer, $settings),
            Process::Extrusion => $this->attempt(fn () => $this->bar($in, $polymer, $settings)),
            Process::VacuumForming => $this->attempt(fn () => $this->sheet($in, $polymer, $settings)),
        };
        if ($in->process->hasBarrel()) {
            $this->stands($polymer, ($settings['die_c'] ?? $settings['melt_c'])->target);
        }

        return $this;
    }

    private function attempt(callable $work): void
    {
        try {
            $work();
        } catch (InputError $error) {
            $this->missing[] = "No time for this: {$error->field} {$error->getMessage()}.";
        }
    }

    private function add(string $timer, float $seconds, string $calculation, string $because): void
    {
        $this->timers[] = new Timer($timer, $seconds, $calculation, $because);
    }

    /** @param  array<string, SetPoint>  $settings */
    private function press(RecommendInput $in, Polymer $polymer, array $settings): void
    {
        $part = $in->part;
        $press = $in->machine->press !== null && $part->length_mm !== null && $part->width_mm !== null
            ? ['press' => array_filter(get_object_vars($in->machine->press), static fn (mixed $v): bool => $v !== null)]
            : [];
        $cycle = (new PressCycle($this->polymers))(Reader::read(PressCycleInput::class, [
            'polymer' => $polymer->code,
            'thickness_mm' => $part->thickness_mm,
            'initial_c' => $in->room_c,
            'platen_c' => $settings['platen_c']->target,
            'length_mm' => $part->length_mm, 'width_mm' => $part->width_mm,
        ] + $press));
        $this->add(
            'heat',
            60 * $cycle->heat_min,
            'heat.press_cycle',
            sprintf('until the middle has %.0f °C', $cycle->core_target_c),
        );
        $this->add('soak', 60 * $cycle->soak_min, 'heat.press_cycle', 'the middle evens out');
        $this->add(
            'cool',
            60 * $cycle->cool_min,
            'heat.press_cycle',
            sprintf('under load until %.0f °C', $cycle->demould_c),
        );
    }

    /** @param  array<string, SetPoint>  $settings */
    private function injection(RecommendInput $in, Polymer $polymer, array $settings): void
    {
        $this->attempt(fn () => $this->mould($in, $polymer, $settings));
        if ($in->machine->barrel_diameter_mm !== null && $in->machine->kind !== MachineKind::Screw) {
            $this->attempt(fn () => $this->soak($in, $polymer, $settings['melt_c']->target));
        }
    }

    /** @param  array<string, SetPoint>  $settings */
    private function mould(RecommendInput $in, Polymer $polymer, array $settings): void
    {
        $out = $polymer->typical('demould_c') ?? throw new InputError('demould_c', 'is not known');
        $mould = $in->mould;
        $contact = (new MouldContact($this->polymers))(Reader::read(MouldContactInput::class, [
            'polymer' => $polymer->code,
            'wall_mm' => $in->part->thickness_mm,
            'melt_c' => $settings['melt_c']->target,
            'mould_c' => $settings['mould_c']->target,
            'eject_c' => $out,
            'mould' => $mould->material,
            'mould_thickness_mm' => $mould->thickness_mm,
            'area_ratio' => $mould->area_ratio,
            'in_water' => $mould->in_water,
            'cycles' => self::CYCLES,
        ] + (
            $mould->held
                ? ['back_h_w_m2k' => self::HELD_W_M2K, 'back_c' => $settings['mould_c']->target]
                : ['back_c' => $in->room_c]
        )));
        if ($contact->cooling_s_first !== null) {
            $this->add(
                'cool_first',
                $contact->cooling_s_first,
                'heat.mould_contact',
                'the first part, until its middle may come out',
            );
        }
        if ($contact->cooling_s_steady !== null) {
            $this->add(
                'cool',
                $contact->cooling_s_steady,
                'heat.mould_contact',
                sprintf(
                    'once the mould has warmed up to %.0f °C, until the middle of the wall has %.0f °C',
                    $contact->mould_face_c_steady,
                    $out,
                ),
            );
        } else {
            $this->missing[] = 'This mould holds the heat: after a few parts none is cool within half an hour. Cool it in water, or wait between shots.';
        }
    }

    private function soak(RecommendInput $in, Polymer $polymer, float $wall): void
    {
        $soak = fn (float $porosity): BarrelSoakInput => Reader::read(BarrelSoakInput::class, [
            'polymer' => $polymer->code,
            'barrel_diameter_mm' => $in->machine->barrel_diameter_mm,
            'wall_c' => $wall,
            'feed_c' => $in->room_c,
            'porosity' => $porosity,
        ]);
        foreach ([[self::LOOSE, ''], [self::TAMPED, ' and tamped portion by portion']] as [$porosity, $how]) {
            $minutes = (new BarrelSoak($this->polymers))($soak($porosity))->soak_min_full;
            $budget = $this->budget($polymer, $minutes, $wall);
            if ($budget === null || $budget->verdict !== Verdict::Over) {
                $this->add(
                    'soak',
                    60 * $minutes,
                    'heat.barrel_soak',
                    "a plunger barrel filled cold{$how}, until its axis is melt",
                );
                $this->missing[] = $budget?->verdict === Verdict::Near
                    ? sprintf(
                        'The soak uses %.0f %% of the time that %s stands: shoot at once.',
                        100 * $budget->used,
                        $polymer->code,
                    )
                    : '';

                return;
            }
        }
        $this->missing[] = sprintf(
            'No soak for this: %s at the wall is spent before the middle of the barrel is hot. A smaller bore, a smaller load, or preheated feed.',
            $polymer->code,
        );
    }

    /** @param  array<string, SetPoint>  $settings */
    private function bar(RecommendInput $in, Polymer $polymer, array $settings): void
    {
        $bar = (new BarInBath($this->polymers))(Reader::read(BarInBathInput::class, [
            'polymer' => $polymer->code, 'melt_c' => $settings['melt_c']->target, 'bath_c' => $in->mould->bath_c,
            'width_mm' => $in->part->width_mm ?? $in->part->thickness_mm,
            'height_mm' => $in->part->thickness_mm,
            'length_mm' => $in->part->length_mm,
        ]));
        if ($bar->strip_s !== null) {
            $this->add(
                'strip',
                $bar->strip_s,
                'heat.bar_in_bath',
                'a closed bar mould, until the skin carries the bar',
            );
        } else {
            $this->missing[] = $bar->strip_because;
        }
        $this->add(
            'stack',
            60 * ($bar->minutes_to_core ?? throw new InputError('bath_c', 'never cools the middle of the bar enough')),
            'heat.bar_in_bath',
            'until its middle is cold: then it may be stacked',
        );
    }

    /** @param  array<string, SetPoint>  $settings */
    private function sheet(RecommendInput $in, Polymer $polymer, array $settings): void
    {
        if ($in->machine->heater_c === null) {
            return;
        }
        $given = fn (float $heater): VacuumSheetInput => Reader::read(VacuumSheetInput::class, [
            'polymer' => $polymer->code,
            'thickness_mm' => $in->part->thickness_mm,
            'initial_c' => $in->room_c,
            'heater_c' => $heater,
            'exchange' => $in->machine->exchange,
            'sides' => $in->machine->sides,
            'ambient_c' => $in->room_c,
            'sheet_normal_c' => $settings['sheet_normal_c']->target,
        ]);
        $heating = new VacuumSheet($this->polymers);
        $sheet = $heating($given($in->machine->heater_c));
        if ($sheet->ready_s !== null && ($sheet->window_s === null || $sheet->window_s >= 0)) {
            $this->add('heat', $sheet->ready_s, 'heat.vacuum_sheet', 'until the mean of the sheet is there');
            if ($sheet->form_within_s !== null && $sheet->form_within_s > 0) {
                $this->add(
                    'form_within',
                    $sheet->form_within_s,
                    'heat.vacuum_sheet',
                    'from the heater leaving to the vacuum',
                );
            }

            return;
        }
        if ($sheet->ready_s === null) {
            $this->missing[] = "No time for this: {$sheet->explanation}";

            return;
        }
        $this->hottest_heater_c = $this->hottestHeater($heating, $given, $in->machine->heater_c);
        $this->missing[] = "No time for this: {$sheet->explanation}".($this->hottest_heater_c === null
            ? ' No heater does, however cool.' : sprintf(
                ' The hottest heater that does is at %.0f °C.',
                $this->hottest_heater_c,
            ));
    }

    /** @param  callable(float): VacuumSheetInput  $given */
    private function hottestHeater(VacuumSheet $heating, callable $given, float $tooHot): ?float
    {
        [$works, $fails] = [null, $tooHot];
        $cool = self::COOLEST_HEATER_C;
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $middle = (($works ?? $cool) + $fails) / 2;
            $sheet = $heating($given($middle));
            if ($sheet->ready_s === null) {
                // Too cool to get it ready at all: what works, if anything, lies above.
                $cool = $middle;
            } elseif ($sheet->window_s === null || $sheet->window_s >= 0) {
                $works = $middle;
            } else {
                $fails = $middle;
            }
            if ($works === null && $fails - $cool < 1) {
                return null;
            }
        }

        return $works === null ? null : floor($works);
    }

    private function stands(Polymer $polymer, float $melt): void
    {
        $budget = $this->budget($polymer, 0.0, $melt);
        if ($budget !== null && $budget->minutes_left < 120) {
            $this->missing[] = sprintf(
                '%s stands %.0f °C for %.0f min in all: count soaks, stops and pauses, and purge it out before.',
                $polymer->code,
                $melt,
                $budget->minutes_left,
            );
        }
    }

    private function budget(Polymer $polymer, float $minutes, float $melt): ?BudgetResult
    {
        return ($polymer->minutesAtCeiling() ?? 0.0) <= 0 ? null
            : (new Budget($this->polymers))(new BudgetInput(
                new MaterialInput($polymer->code),
                [new Stay($minutes, $melt)],
            ));
    }
}
