<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Charge\ProfileResult;
use Dithermic\Core\Heat\Barrel\StripFeedResult;
use Dithermic\Core\Heat\Bath\BarInBathResult;
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
     */
    public function __construct(
        #[Field('', of: PlannedSetting::class)] array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] object $targets,
        #[Field('', of: PlannedTimer::class)] array $timers,
        PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] array $checks,
        #[Field('', of: 'string')] array $cautions,
        #[Field('', of: UnknownFact::class)] array $unknowns,
        public readonly ProfileResult $bar,
        #[Field('null where it goes into no water')] public readonly ?BarInBathResult $bath,
        #[Field('the nozzle end under water before the mould comes off; null where there is none', 's')]
        public readonly ?float $chill_s,
        #[Field('in the tank until it is stripped; null where there is none', 's')] public readonly ?float $strip_s,
        #[Field('from bar to bar', 's')] public readonly float $cycle_s,
        #[Field('more of them would make no more; null without')] public readonly ?int $moulds_needed,
        #[Field('in a shift that begins cold')] public readonly int $bars_shift,
        #[Field('with one mould more; null without')] public readonly ?int $bars_shift_one_more,
        public readonly StripRule $strip_rule,
        public readonly Venting $venting,
        public readonly TakeOff $take_off = TakeOff::Mould,
        #[Field('of strips that feed another barrel')] public readonly ?StripFeedResult $strips = null,
        #[Field('of a profile that is drawn free')] public readonly ?FreeProfile $profile = null,
        #[Field('what lets a bar come no sooner: mould at the nozzle, tank, moulds or hands; null without')]
        public readonly ?string $held_by = null,
        #[Field('null without')] public readonly ?CoolerBath $cooler_bath = null,
        #[Field('what each method would give', of: Gives::class)] array $gives = [],
    ) {
        parent::__construct($settings, $targets, $timers, $charge, $checks, $cautions, $unknowns, $gives);
    }

    public function choices(): array
    {
        // What leaves no mould is stripped of none, and a barrel without a vent is closed.
        return ($this->take_off === TakeOff::Mould ? ['strip_rule' => $this->strip_rule->value] : [])
            + (in_array(
                'venting',
                array_column($this->gives, 'school'),
                true,
            ) ? ['venting' => $this->venting->value] : []);
    }

    public function safety(): array
    {
        $set = $this->values();
        $load = ['load_kg' => $set['mould_kg'] === null ? null : $set['mould_kg'] + $this->bar->part_mass_g / 1000];

        return ['settings' => ['set_c' => $set['melt_c']] + array_filter($load, is_float(...))];
    }

    public function picture(): array
    {
        return ['strips' => $this->strips?->ages, 'profile' => $this->profile] + ($this->bath === null ? [] : [
            'bath' => [
                'strip_s' => $this->strip_s,
                'strip_skin_mm' => $this->bath->strip_skin_mm,
                'minutes_to_core' => $this->bath->minutes_to_core,
                'solid_c' => $this->bath->solid_c,
                'skins' => array_slice($this->bath->minutes_to_skin_mm, 1),
                'width_mm' => $this->values()['width_mm'],
                'height_mm' => $this->values()['height_mm'],
                'diameter_mm' => $this->values()['diameter_mm'],
            ],
            'cycle' => ['cycle_s' => $this->cycle_s, 'moulds_needed' => $this->moulds_needed],
        ]);
    }
}
