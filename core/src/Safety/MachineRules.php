<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Force\Clamp;
use Dithermic\Core\Force\ClampInput;
use Dithermic\Core\Heat\Sheet\ClampedSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/** What stops a run because of the machine, the mould, the charge and the people at it. */
final readonly class MachineRules
{
    /** one person lifts no more than this by hand, kg (usual guidance; local rules may ask for less) */
    public const BY_HAND_KG = 25.0;

    private const ATMOSPHERE_KPA = 101.325;

    private const ROOM_C = 20.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @return list<Block> */
    public function blocks(CheckInput $in, Play $play): array
    {
        return array_values(array_filter([
            ...$this->ofMachine($in), ...$this->ofSheet($in, $play), ...$this->ofCharge($in), ...$this->ofPeople($in),
        ]));
    }

    /** @return list<Block|null> */
    private function ofMachine(CheckInput $in): array
    {
        $machine = $in->machine;
        $name = $machine->name ?? 'the machine';
        $blocks = [];
        if ($machine->max_c !== null && $in->settings->set_c > $machine->max_c) {
            $blocks[] = new Block(
                'machine_limit',
                sprintf(
                    '%.0f °C is above what %s may be set to (%.0f °C).',
                    $in->settings->set_c,
                    $name,
                    $machine->max_c,
                ),
                Block::NOBODY,
                'Lower the set-point.',
            );
        }
        if ($machine->clamp_kn !== null && $in->mould->projected_area_cm2 !== null && $in->mould->cavity_bar !== null) {
            $needed = (new Clamp)(new ClampInput($in->mould->projected_area_cm2, $in->mould->cavity_bar))->clamp_kn;
            $blocks[] = $machine->clamp_kn >= $needed - 1e-9
                ? null
                : new Block(
                    'clamp',
                    sprintf(
                        '%s holds the mould with %.0f kN and %.0f kN are needed: it opens and throws melt.',
                        ucfirst($name),
                        $machine->clamp_kn,
                        $needed,
                    ),
                    Block::LEAD,
                    'Less pressure, a smaller part, more bolts or a stronger clamp.',
                );
        }
        $rated = $machine->tank_rated_kpa;
        if (
            $in->process === Process::VacuumForming
            && ($rated === false || (is_numeric($rated) && $rated < self::ATMOSPHERE_KPA - 1))
        ) {
            $blocks[] = new Block(
                'tank',
                "The tank of {$name} is not built for vacuum: it can fold up at once.",
                Block::NOBODY,
                'Take a tank that is rated for full vacuum.',
            );
        }

        return $blocks;
    }

    /**
     * A former: set_c is the mean of the sheet; the heater has its own temperature, judged by what it does to the
     * sheet.
     *
     * @return list<Block|null>
     */
    private function ofSheet(CheckInput $in, Play $play): array
    {
        if ($in->process !== Process::VacuumForming) {
            return [];
        }
        $blocks = [];
        foreach ($play->lots as $polymer) {
            $upper = $polymer->process($in->process->value)->mayNumber('sheet_upper_c');
            if ($upper !== null && $in->settings->set_c > $upper) {
                $blocks[] = new Block(
                    'sheet_too_hot',
                    sprintf(
                        'A sheet of %s at %.0f °C is over the %.0f °C it may have: it tears, blisters or fumes.',
                        $polymer->code,
                        $in->settings->set_c,
                        $upper,
                    ),
                    Block::LEAD,
                    sprintf('Take it off the heat at %.0f °C or under.', $upper),
                );
            }
            $blocks[] = $this->ofHeater($in, $polymer);
        }

        return $blocks;
    }

    private function ofHeater(CheckInput $in, Polymer $polymer): ?Block
    {
        $settings = $in->settings;
        if (
            $settings->heater_c === null
            || $settings->thickness_mm === null
            || $polymer->whyNot($in->process->value) !== null
        ) {
            return null;
        }
        try {
            $clamped = new ClampedSheet(
                new MaterialInput($polymer->code),
                $settings->thickness_mm,
                self::ROOM_C,
                $settings->sides,
                self::ROOM_C,
            );
            $sheet = (new VacuumSheet($this->polymers))(new VacuumSheetInput(
                $clamped,
                $settings->heater_c,
                $settings->exchange,
            ));
        } catch (InputError) {
            return null;
        }

        return $sheet->window_s !== null && $sheet->window_s >= 0 ? null : match (true) {
            $sheet->ready_s === null => new Block(
                'sheet_window',
                sprintf('A heater of %.0f °C does not get this sheet ready within an hour.', $settings->heater_c),
                Block::LEAD,
                'A hotter or nearer heater.',
            ),
            $sheet->window_s !== null => new Block(
                'sheet_window',
                sprintf(
                    'At a heater of %.0f °C the face is too hot %.0f s before the cold side is ready.',
                    $settings->heater_c,
                    -$sheet->window_s,
                ),
                Block::LEAD,
                'A cooler heater for longer, or heat from both sides.',
            ),
            default => null,
        };
    }

    /** @return list<Block|null> */
    private function ofCharge(CheckInput $in): array
    {
        $charge = $in->charge;
        $blocks = [];
        $held = array_map(static fn (LotFacts $l): ?float => $l->held_g, $in->lots);
        if (
            $charge->needed_g !== null
            && $charge->weighed_g === null
            && ! in_array(null, $held, true)
            && array_sum($held) < $charge->needed_g - 1e-6
        ) {
            $blocks[] = new Block(
                'stock_short',
                sprintf(
                    '%s holds %.0f g and the charge needs %.0f g.',
                    ucfirst($in->lots[0]->name()),
                    array_sum($held),
                    $charge->needed_g,
                ),
                Block::NOBODY,
                'Take a lot that holds enough, or weigh a charge from several.',
            );
        }
        if (
            $charge->needed_g !== null
            && $charge->weighed_g !== null
            && abs($charge->weighed_g - $charge->needed_g) > ($charge->tolerance_g ?? 0.0) + 1e-6
        ) {
            $blocks[] = new Block(
                'charge_mass',
                sprintf(
                    'The charge weighs %.0f g and %.0f ± %.0f g are needed.',
                    $charge->weighed_g,
                    $charge->needed_g,
                    $charge->tolerance_g ?? 0.0,
                ),
                Block::LEAD,
                $charge->weighed_g < $charge->needed_g
                    ? 'Weigh in what is missing, or make the smaller thing.'
                    : 'Take off what is too much: it runs out as flash.',
            );
        }
        $bed = [$in->machine->bed_length_mm, $in->machine->bed_width_mm];
        $size = [$charge->length_mm, $charge->width_mm];
        if (! in_array(null, [...$bed, ...$size], true)) {
            $blocks[] = max($size) <= max($bed) + 1e-6 && min($size) <= min($bed) + 1e-6
                ? null
                : new Block(
                    'too_large',
                    sprintf(
                        '%.0f × %.0f mm do not fit the bed of %s (%.0f × %.0f mm).',
                        $size[0],
                        $size[1],
                        $in->machine->name ?? 'the machine',
                        $bed[0],
                        $bed[1],
                    ),
                    Block::NOBODY,
                    'A smaller one, or another machine.',
                );
        }

        return $blocks;
    }

    /** @return list<Block|null> */
    private function ofPeople(CheckInput $in): array
    {
        $answers = $in->answers;
        $load = $in->settings->load_kg;
        $asked = [
            'people_unprotected' => [
                ! $answers->people_protected,
                'Nobody has confirmed that everybody at the machine is protected.',
                'Eyes, hot gloves, sleeves, closed shoes. Then confirm.',
            ],
            'no_air' => [
                ! $answers->air_moving,
                'Nobody has confirmed that the air is moving.',
                'Switch the extraction on or work in the open. Then confirm.',
            ],
            'guard_open' => [
                $in->process->hasBarrel() && ! $answers->guard_closed,
                'Nobody has confirmed that the guard is shut.',
                'Shut it. Then confirm.',
            ],
            'nozzle_open' => [
                $in->process->hasBarrel() && ! $answers->nozzle_seated,
                'Nobody has confirmed that the nozzle is seated.',
                'Seat it against mould or bucket: melt under pressure finds any gap. Then confirm.',
            ],
            'pressure_standing' => [
                $in->process->hasBarrel() && ! $answers->pressure_relieved,
                'Nobody has confirmed that no pressure is left in barrel and drive.',
                'Relieve it by the manual, from the side. Then confirm.',
            ],
            'heavy' => [
                $load !== null && $load > self::BY_HAND_KG && $answers->people < 2 && ! $answers->lifting_gear,
                sprintf('%.0f kg are too much for one pair of hands.', $load ?? 0.0),
                'A second person, or lifting gear.',
            ],
        ];
        $blocks = [];
        foreach ($asked as $id => [$stands, $because, $do]) {
            $blocks[] = $stands ? new Block($id, $because, Block::NOBODY, $do) : null;
        }
        $blocks[] = $answers->unattended
            ? new Block(
                'unattended',
                'It would stand hot with nobody by.',
                Block::LEAD,
                'Stay, or switch the heat off.',
            )
            : null;

        return $blocks;
    }
}
