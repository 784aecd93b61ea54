<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

/** What every process plans: settings with their origin, numbers for its procedure, checks, and what is not known. */
abstract class Plan extends Result
{
    /**
     * @param  list<PlannedSetting>  $settings
     * @param  list<PlannedTimer>  $timers
     * @param  list<PlanCheck>  $checks
     * @param  list<string>  $cautions
     * @param  list<UnknownFact>  $unknowns
     */
    public function __construct(
        #[Field('', of: PlannedSetting::class)] public readonly array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] public readonly object $targets,
        #[Field('', of: PlannedTimer::class)] public readonly array $timers,
        public readonly PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] public readonly array $checks,
        #[Field('', of: 'string')] public readonly array $cautions,
        #[Field('', of: UnknownFact::class)] public readonly array $unknowns,
    ) {
    }

    /** @return array<string, string> the methods that this plan settled on, by school */
    abstract public function choices(): array;

    /**
     * What the safety check is asked of it beside lots, machine and answers.
     *
     * @return array{settings: array<string, mixed>, charge?: array<string, mixed>, mould?: array<string, mixed>}
     */
    abstract public function safety(): array;

    /** @return array<string, mixed> what a run keeps of it for its drawings */
    abstract public function picture(): array;

    /** @return array<string, float|null> value by name */
    public function values(): array
    {
        return array_column(
            array_map(static fn (PlannedSetting $s): array => [$s->name, $s->value], $this->settings),
            1,
            0,
        );
    }

    /** @return array<string, string> where each came from, by name */
    public function origins(): array
    {
        return array_column(
            array_map(static fn (PlannedSetting $s): array => [$s->name, $s->origin], $this->settings),
            1,
            0,
        );
    }
}
