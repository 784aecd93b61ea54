<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

enum SourceState: string
{
    case OnTrial = 'on_trial';
    case SmallTrialPassed = 'small_trial_passed';
    case FullTrialPassed = 'full_trial_passed';
    case Accepted = 'accepted';

    /** How much it is trusted: the more, the greater. */
    public function trust(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
