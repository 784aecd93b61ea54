<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * One pass down steps on a clock of its own: the run itself, or one of its pieces. Times are seconds since 1970 UTC.
 */
class Thread
{
    public const OPEN = 'open';

    public const DONE = 'done';

    public const DROPPED = 'dropped';

    /** of a piece: open, done or dropped */
    public string $outcome = self::OPEN;

    public ?string $step = null;

    public float $stepSince = 0.0;

    /** @var array<string, array{at: float, by: string, reason: ?string, began: float}> steps done, by id */
    public array $done = [];

    /**
     * @var array<string, array{id: string, started_at: float, ends_at: float, minutes: float, answered_at: ?float}> by id
     */
    public array $timers = [];

    /** @var array<string, array<string, float>> when each item was confirmed, by step and item */
    public array $confirmed = [];

    /** @param  int|null  $piece  its number; null for the run itself */
    public function __construct(public readonly ?int $piece = null)
    {
    }

    /** When its first step began. */
    public function beganAt(): float
    {
        $first = $this->done[array_key_first($this->done)]['began'] ?? $this->stepSince;

        return min($first, $this->stepSince);
    }

    public function isAt(Step $step): bool
    {
        return $this->step === $step->id;
    }
}
