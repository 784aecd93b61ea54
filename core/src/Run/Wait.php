<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * What waits where hands are late. How much dearer one is than another is our judgement: nothing spoils in the cold.
 */
enum Wait: string
{
    case Heats = 'it goes on heating';
    case Hot = 'what is hot waits';
    case Looks = 'a look that was promised';
    case Taken = 'its place stays taken';
    case Bench = '';

    /** of a minute, against a minute at the bench */
    public function weight(): float
    {
        return match ($this) {
            self::Heats => 8.0,
            self::Hot => 4.0,
            self::Looks => 2.0,
            self::Taken => 2.0,
            self::Bench => 1.0,
        };
    }

    /** Of a step that hands are wanted for, after a timer that has run out or none. */
    public static function of(Step $wanted, ?Timer $after): self
    {
        return match (true) {
            $after?->kind === 'heat' => self::Heats,
            $wanted->needsHeat => self::Hot,
            $after?->kind === 'cool' => self::Taken,
            default => self::Bench,
        };
    }
}
