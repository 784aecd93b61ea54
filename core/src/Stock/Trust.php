<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Safety\Scale;
use Dithermic\Core\Safety\SourceState;

/**
 * What can happen to a source's trust: a small trial, a full-size trial, acceptance; a failed delivery drops it back.
 */
enum Trust: string
{
    case SmallTrialPassed = 'small_trial_passed';
    case SmallTrialFailed = 'small_trial_failed';
    case FullTrialPassed = 'full_trial_passed';
    case FullTrialFailed = 'full_trial_failed';
    case Accepted = 'accepted';
    case DeliveryGood = 'delivery_good';
    case DeliveryFailed = 'delivery_failed';

    /**
     * What a trial run says of its source: passed where all that it made is good, failed where nothing is; in between a
     * person decides. Null also where the run was no trial.
     */
    public static function byTrial(Scale $scale, int $good, int $bad): ?self
    {
        $passed = match (true) {
            $good > 0 && $bad === 0 => true,
            $bad > 0 && $good === 0 => false,
            default => null,
        };

        return match (true) {
            $passed === null || $scale === Scale::Production => null,
            $scale === Scale::SmallTrial => $passed ? self::SmallTrialPassed : self::SmallTrialFailed,
            default => $passed ? self::FullTrialPassed : self::FullTrialFailed,
        };
    }

    /**
     * What can be said of a source in a state, what its ladder asks for first and checks of deliveries last.
     *
     * @return list<self>
     */
    public static function openTo(SourceState $state): array
    {
        return array_values(array_filter(self::cases(), static fn (self $t): bool => $t->follows($state)));
    }

    public function says(): string
    {
        return match ($this) {
            self::SmallTrialPassed => 'Small trial passed',
            self::SmallTrialFailed => 'Small trial failed',
            self::FullTrialPassed => 'Full-size trial passed',
            self::FullTrialFailed => 'Full-size trial failed',
            self::Accepted => 'Accepted into stock',
            self::DeliveryGood => 'Delivery checked, good',
            self::DeliveryFailed => 'Delivery failed: back to trial',
        };
    }

    /** Whether the ladder has this rung from a state. */
    public function follows(SourceState $state): bool
    {
        return $this->next($state) !== null;
    }

    /** The state after it. @throws InputError when the ladder has no such rung here */
    public function after(SourceState $state): SourceState
    {
        return $this->next($state) ?? throw new InputError('kind', sprintf('the source is "%s": %s', str_replace(
            '_',
            ' ',
            $state->value,
        ), match ($state) {
            SourceState::OnTrial => 'a small trial comes first',
            SourceState::SmallTrialPassed => 'a full-size trial comes next',
            SourceState::FullTrialPassed => 'what is left is to accept it',
            SourceState::Accepted => 'only a delivery is checked from here on',
        }));
    }

    /** A trial that passed says at what temperature it worked: that is what the trial is for. */
    public function needsTemperature(): bool
    {
        return $this === self::SmallTrialPassed || $this === self::FullTrialPassed;
    }

    public function leadOnly(): bool
    {
        return $this === self::Accepted;
    }

    private function next(SourceState $state): ?SourceState
    {
        return match ($this) {
            self::SmallTrialPassed => $state === SourceState::OnTrial ? SourceState::SmallTrialPassed : null,
            self::SmallTrialFailed => $state === SourceState::OnTrial ? SourceState::OnTrial : null,
            self::FullTrialPassed => $state === SourceState::SmallTrialPassed ? SourceState::FullTrialPassed : null,
            self::FullTrialFailed => $state === SourceState::SmallTrialPassed ? SourceState::OnTrial : null,
            self::Accepted => $state === SourceState::FullTrialPassed ? SourceState::Accepted : null,
            self::DeliveryGood => $state,
            self::DeliveryFailed => SourceState::OnTrial,
        };
    }
}
