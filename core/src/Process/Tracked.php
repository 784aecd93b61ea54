<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What a timer would be by what was measured. Times in seconds since 1970 UTC. */
final readonly class Tracked
{
    /**
     * @param  string  $says  why it moved, in words
     * @param  float  $nowC  of what is waited for: the middle of a sheet
     * @param  float|null  $readyAt  when it may go on; null when that never comes by itself
     * @param  float  $asIfS  seconds into the plan at which it would be as hot as it is now
     */
    public function __construct(
        public CheckState $state,
        public string $says,
        public float $nowC,
        public ?float $readyAt,
        public float $asIfS,
    ) {
    }

    /** nearer to its timer than this nobody is told, s */
    public const SAME_S = 30.0;

    /** Whether a timer ends when it should by this. */
    public function isOnTime(Clock $clock): bool
    {
        return $this->readyAt !== null && abs($this->readyAt - $clock->endsAt) < self::SAME_S;
    }

    /** Whole minutes that a timer runs too short by this; 0 where it does not, or nobody can say. */
    public function moreMin(Clock $clock): float
    {
        return $this->readyAt === null ? 0.0 : max(0.0, round(($this->readyAt - $clock->endsAt) / 60));
    }
}
