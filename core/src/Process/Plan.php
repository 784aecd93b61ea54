<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Result;

/** What every process plans: settings with their origin, numbers for its procedure, checks, and what is not known. */
abstract class Plan extends Result
{
    /** what heats is ready this far under its set-point, K; the procedures say so in words */
    public const READY_WITHIN_K = 5.0;

    /**
     * @param  list<PlannedSetting>  $settings
     * @param  list<PlannedTimer>  $timers
     * @param  list<PlanCheck>  $checks
     * @param  list<string>  $cautions
     * @param  list<UnknownFact>  $unknowns
     * @param  list<Gives>  $gives
     */
    public function __construct(
        #[Field('', of: PlannedSetting::class)] public readonly array $settings,
        #[Field('numbers that the procedure\'s gates and timers name', of: 'shares')] public readonly object $targets,
        #[Field('', of: PlannedTimer::class)] public readonly array $timers,
        public readonly PlannedCharge $charge,
        #[Field('', of: PlanCheck::class)] public readonly array $checks,
        #[Field('', of: 'string')] public readonly array $cautions,
        #[Field('', of: UnknownFact::class)] public readonly array $unknowns,
        #[Field('what each method would give, where a plan can tell', of: Gives::class)]
        public readonly array $gives = [],
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

    /**
     * What cannot be done is not begun. It is no danger, and so no matter of anybody's word.
     *
     * @throws InputError with what stands in the way
     */
    public function mustBeDoable(): void
    {
        $blocks = array_filter($this->checks, static fn (PlanCheck $c): bool => $c->state === CheckState::Block);
        if ($blocks !== []) {
            $says = implode(' ', array_map(static fn (PlanCheck $c): string => $c->says, $blocks));
            throw new InputError('settings', "cannot be done so: {$says}");
        }
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
