<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

/** How much of a source is being committed: a source earns trust by a small trial, then a full-size one. */
enum Scale: string
{
    case SmallTrial = 'small_trial';
    case FullTrial = 'full_trial';
    case Production = 'production';

    public function allows(SourceState $state): bool
    {
        return match ($state) {
            SourceState::Accepted => true,
            SourceState::SmallTrialPassed, SourceState::FullTrialPassed => $this !== self::Production,
            SourceState::OnTrial => $this === self::SmallTrial,
        };
    }
}
