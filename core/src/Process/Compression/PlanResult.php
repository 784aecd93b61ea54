<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;
use Dithermic\Core\Charge\SheetResult;
use Dithermic\Core\Charge\SheetSchoolsResult;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Heat\Press\PressSchoolsResult;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedSetting;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\UnknownFact;

final class PlanResult extends Result
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
        #[Field('', of: PlannedSetting::class)] public readonly array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] public readonly object $targets,
        #[Field('', of: PlannedTimer::class)] public readonly array $timers,
        public readonly PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] public readonly array $checks,
        #[Field('what each way of weighing would give')] public readonly SheetSchoolsResult $weighing,
        #[Field('what each way of timing would leave in the middle')] public readonly PressSchoolsResult $timing,
        public readonly SheetResult $sheet,
        #[Field('of the chosen timing')] public readonly PressCycleResult $cycle,
        #[Field('the chosen timing')] public readonly string $heat_rule,
        #[Field('', of: 'string')] public readonly array $cautions,
        #[Field('', of: UnknownFact::class)] public readonly array $unknowns,
        #[Field('input of heat.press_cycle, to reckon it again', of: 'named')] public readonly array $heat_input,
    ) {
    }

    /** @return array<string, float|null> value by name */
    public function values(): array
    {
        return array_column(
            array_map(static fn (PlannedSetting $s): array => [$s->name, $s->value], $this->settings),
            1,
            0,
        );
    }

    /** @return array<string, string> by name */
    public function origins(): array
    {
        return array_column(
            array_map(static fn (PlannedSetting $s): array => [$s->name, $s->origin], $this->settings),
            1,
            0,
        );
    }
}
