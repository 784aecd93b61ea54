<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Charge\ShotResult;
use Dithermic\Core\Flow\FillResult;
use Dithermic\Core\Force\ClampResult;
use Dithermic\Core\Heat\Barrel\BarrelSoakResult;
use Dithermic\Core\Process\Gives;
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
     * @param  list<Gives>  $gives
     * @param  array<string, float|string|null>  $soak_input
     */
    public function __construct(
        #[Field('', of: PlannedSetting::class)] array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] object $targets,
        #[Field('', of: PlannedTimer::class)] array $timers,
        PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] array $checks,
        #[Field('', of: 'string')] array $cautions,
        #[Field('', of: UnknownFact::class)] array $unknowns,
        public readonly ShotResult $shot,
        #[Field('null where a screw makes the melt')] public readonly ?BarrelSoakResult $soak,
        #[Field('null where the way of the melt or its flow is not known')] public readonly ?FillResult $fill,
        #[Field('null where the area is not known')] public readonly ?ClampResult $clamp,
        #[Field('that the machine can press with; null when not known', 'bar')] public readonly ?float $available_bar,
        #[Field('until the gate is frozen', 's')] public readonly float $hold_s,
        #[Field('until the middle of the wall may be opened', 's')] public readonly float $cool_s,
        #[Field('from shot to shot', 's')] public readonly float $cycle_s,
        #[Field('', '1/h')] public readonly float $parts_h,
        #[Field('that the melt may stay at this heat; null when the library does not say', 'min')]
        public readonly ?float $melt_min,
        #[Field('from cold; null when not known', 'min')] public readonly ?float $heat_up_min,
        #[Field('from the load to its shot, in a full barrel', 'min')] public readonly float $hot_min,
        public readonly SoakRule $soak_rule,
        public readonly MouldMake $mould_make,
        #[Field('input of heat.barrel_soak and the machine\'s factor, to follow it; empty with a screw', of: 'named')]
        public readonly array $soak_input,
        #[Field('what each method would give', of: Gives::class)] array $gives = [],
    ) {
        parent::__construct($settings, $targets, $timers, $charge, $checks, $cautions, $unknowns, $gives);
    }

    public function choices(): array
    {
        // A screw makes its melt ready by itself: no rule of waiting changes anything.
        return ($this->soak_input === [] ? [] : ['soak_rule' => $this->soak_rule->value])
            + ['mould_make' => $this->mould_make->value];
    }

    public function safety(): array
    {
        $set = $this->values();

        return [
            'settings' => ['set_c' => $set['melt_c'], 'minutes_hot' => $this->hot_min],
            'mould' => array_filter([
                'projected_area_cm2' => $set['projected_area_cm2'],
                'cavity_bar' => $set['cavity_pressure_bar'],
            ], static fn (?float $value): bool => $value !== null),
        ];
    }

    public function picture(): array
    {
        return [
            'barrel' => [
                'capacity_g' => $this->shot->barrel_capacity_g,
                'shot_g' => $this->shot->shot_mass_g,
                'fraction' => $this->shot->barrel_fraction,
                'volume_cm3' => $this->shot->barrel_volume_cm3,
            ],
            'cycle' => [
                'hold_s' => $this->hold_s,
                'cool_s' => $this->cool_s,
                'cycle_s' => $this->cycle_s,
                'parts_h' => $this->parts_h,
            ],
            'melt_min' => $this->melt_min,
            'soak_input' => $this->soak_input,
        ];
    }
}
