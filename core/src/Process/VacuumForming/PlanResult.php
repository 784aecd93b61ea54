<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Forming\DrawResult;
use Dithermic\Core\Forming\WallResult;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Process\Gives;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedSetting;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\UnknownFact;
use Dithermic\Core\Vacuum\PressurePoint;

final class PlanResult extends Plan
{
    /**
     * @param  list<PlannedSetting>  $settings
     * @param  list<PlannedTimer>  $timers
     * @param  list<PlanCheck>  $checks
     * @param  list<string>  $cautions
     * @param  list<UnknownFact>  $unknowns
     * @param  list<FormedAgain>  $again
     * @param  list<Gives>  $gives
     * @param  list<PressurePoint>  $pull
     * @param  list<ValveMoment>  $valves
     * @param  array<string, float|int|string>  $sheet_input
     */
    public function __construct(
        #[Field('', of: PlannedSetting::class)] array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] object $targets,
        #[Field('', of: PlannedTimer::class)] array $timers,
        PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] array $checks,
        #[Field('', of: 'string')] array $cautions,
        #[Field('', of: UnknownFact::class)] array $unknowns,
        #[Field('null where the heater is not known')] public readonly ?VacuumSheetResult $sheet,
        public readonly DrawResult $draw,
        public readonly WallResult $wall,
        #[Field('of the sheet', 'mm')] public readonly float $blank_length_mm,
        #[Field('of the sheet', 'mm')] public readonly float $blank_width_mm,
        #[Field('under the sheet at the end; null where nothing is known that pulls', 'kPa')]
        public readonly ?float $end_kpa,
        #[Field('to that', 's')] public readonly ?float $pull_s,
        #[Field('under the sheet over time', of: PressurePoint::class)] public readonly array $pull,
        #[Field('until the thinnest and the thickest wall may come off', 's')] public readonly float $cool_s,
        #[Field('the heater is worked by', '')] public readonly ?float $heater_c,
        #[Field('', '')] public readonly float $exchange,
        #[Field('heated faces', '')] public readonly int $sides,
        public readonly ?PullBy $pull_by,
        public readonly CoolHow $cool_how,
        #[Field('in order, where it is known what pulls', of: ValveMoment::class)] public readonly array $valves = [],
        #[Field('null where there is none, or its pump is not known')] public readonly ?TankFill $tank = null,
        #[Field('the sheet in its frame, as heat.vacuum_sheet asks for it; to learn of the heater by', of: 'named')]
        public readonly array $sheet_input = [],
        #[Field('as often as a spoiled sheet may be formed again', of: FormedAgain::class)]
        public readonly array $again = [],
        #[Field('how the parts stand that are formed of one sheet')] public readonly ?BedLayout $bed = null,
        #[Field('what each method would give', of: Gives::class)] array $gives = [],
    ) {
        parent::__construct($settings, $targets, $timers, $charge, $checks, $cautions, $unknowns, $gives);
    }

    public function choices(): array
    {
        return ['cool_how' => $this->cool_how->value]
            + ($this->pull_by === null ? [] : ['pull_by' => $this->pull_by->value]);
    }

    public function safety(): array
    {
        $heater = $this->heater_c === null ? [] : ['heater_c' => $this->heater_c, 'exchange' => $this->exchange];

        return [
            'settings' => [
                'set_c' => $this->sheet->sheet_normal_c ?? (float) ((array) $this->targets)['sheet_normal_c'],
                'thickness_mm' => $this->values()['sheet_mm'],
                'sides' => $this->sides,
            ] + $heater,
            'charge' => ['length_mm' => $this->blank_length_mm, 'width_mm' => $this->blank_width_mm],
        ];
    }

    public function picture(): array
    {
        return [
            'sheet' => $this->sheet === null ? null : [
                'curve' => $this->sheet->curve,
                'ready_s' => $this->sheet->ready_s,
                'limit_s' => $this->sheet->limit_s,
                'form_within_s' => $this->sheet->form_within_s,
                'sheet_lower_c' => $this->sheet->sheet_lower_c,
                'sheet_normal_c' => $this->sheet->sheet_normal_c,
                'sheet_upper_c' => $this->sheet->sheet_upper_c,
            ],
            'sheet_input' => $this->sheet_input,
            'heat_input' => $this->heater_c === null ? [] : $this->sheet_input + [
                'heater_c' => $this->heater_c,
                'exchange' => $this->exchange,
                'heat_factor' => $this->values()['heat_factor'],
                'look_cost_s' => $this->values()['look_cost_s'],
                'again_c' => $this->values()['release_c'],
            ],
            'wall' => $this->wall->walls,
            'pull' => $this->pull,
            'valves' => $this->valves,
            'tank' => $this->tank,
            'again' => $this->again,
        ];
    }
}
