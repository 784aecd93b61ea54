<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

/** How a purging looks. */
enum Look: string
{
    case OldColour = 'old_colour';
    case Streaks = 'streaks';
    case Bubbles = 'bubbles';
    case Clean = 'clean';

    public function says(): string
    {
        return match ($this) {
            self::OldColour => 'the old colour',
            self::Streaks => 'streaks of it',
            self::Bubbles => 'bubbles: wet, or too hot',
            self::Clean => 'clean',
        };
    }
}
