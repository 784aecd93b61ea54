<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Charge\SheetResult;
use Dithermic\Core\Charge\SheetSchoolsResult;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Heat\Press\PressSchoolsResult;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedSetting;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\UnknownFact;

final class PlanResult extends Plan
{
    /**
     * @param  list<PlannedSetting>  $settings
     * @param  list<PlannedTimer>  $timers
     * @param  list<PlanCheck>  $checks
     * @param  list<string>  $cautions
     * @param  list<UnknownFact>  $unknowns
     * @param  array<string, mixed>  $heat_input
     */
    public function __construct(
        #[Field('', of: PlannedSetting::class)] array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] object $targets,
        #[Field('', of: PlannedTimer::class)] array $timers,
        PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] array $checks,
        #[Field('', of: 'string')] array $cautions,
        #[Field('', of: UnknownFact::class)] array $unknowns,
        #[Field('what each way of weighing would give')] public readonly SheetSchoolsResult $weighing,
        #[Field('what each way of timing would leave in the middle')] public readonly PressSchoolsResult $timing,
        public readonly SheetResult $sheet,
        #[Field('of the chosen timing')] public readonly PressCycleResult $cycle,
        #[Field('the chosen timing')] public readonly string $heat_rule,
        #[Field('the chosen pumping')] public readonly PumpSchool $pump_school,
        #[Field('input of heat.press_cycle, to reckon it again', of: 'named')] public readonly array $heat_input,
        #[Field('where more than one sheet is pressed in a run')] public readonly ?Series $series = null,
    ) {
        parent::__construct($settings, $targets, $timers, $charge, $checks, $cautions, $unknowns);
    }

    public function choices(): array
    {
        return [
            'heat_rule' => $this->heat_rule,
            'pump_school' => $this->pump_school->value,
            'charge_method' => $this->charge->method,
        ];
    }

    public function safety(): array
    {
        $set = $this->values();

        return [
            'settings' => ['set_c' => $set['platen_c']],
            'charge' => [
                'length_mm' => (float) $set['length_mm'] + 2 * (float) $set['trim_mm'],
                'width_mm' => (float) $set['width_mm'] + 2 * (float) $set['trim_mm'],
            ],
        ];
    }

    public function picture(): array
    {
        return [
            'curve' => $this->cycle->curve,
            'turn_min' => $this->cycle->heat_min + $this->cycle->soak_min,
            'heat_input' => $this->heat_input,
            'model' => [
                'heat_min' => $this->cycle->heat_min,
                'soak_min' => $this->cycle->soak_min,
                'cool_min' => $this->cycle->cool_min,
                'platen_min_c' => $this->cycle->platen_min_c,
                'cold_platen_end_c' => $this->cycle->cold_platen_end_c,
                'consolidated_min' => $this->cycle->consolidated_min,
            ],
            'timing' => $this->timing->rules,
        ];
    }
}
