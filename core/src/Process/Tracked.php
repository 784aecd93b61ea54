<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What a timer would be by what was measured. Times in seconds since 1970 UTC. */
final readonly class Tracked
{
    /**
     * @param  string  $says  why it moved, in words
     * @param  float  $nowC  of what is waited for, °C
     * @param  float|null  $readyAt  when it may go on; null when that never comes by itself
     * @param  float  $asIfS  seconds into the plan at which it would be as hot as it is now
     * @param  string  $ofWhat  what is so hot, in a word
     */
    public function __construct(
        public CheckState $state,
        public string $says,
        public float $nowC,
        public ?float $readyAt,
        public float $asIfS,
        public string $ofWhat = 'Middle',
    ) {
    }

    /** Whether a timer ends when it should by this. */
    public function isOnTime(Clock $clock): bool
    {
        return $this->readyAt !== null && abs($this->readyAt - $clock->endsAt) < $clock->nearS;
    }

    /**
     * Of a clock: it stops who waits where it never comes, and warns where it comes late or nothing is read any more.
     *
     * @param  string|null  $silent  says that nothing is read any more; null while something is
     */
    public static function of(
        Clock $clock,
        string $says,
        ?string $silent,
        float $nowC,
        ?float $readyAt,
        float $asIfS,
        string $ofWhat = 'Middle',
    ): self {
        return new self(
            match (true) {
                $readyAt === null => CheckState::Block,
                $silent !== null || $readyAt - $clock->endsAt > $clock->nearS => CheckState::Warn,
                default => CheckState::Ok,
            },
            $silent === null ? $says : "{$silent} {$says}",
            $nowC,
            $readyAt,
            $asIfS,
            $ofWhat,
        );
    }

    /** Minutes that a timer runs too short by this, in steps of its clock; 0 where it does not, or nobody can say. */
    public function moreMin(Clock $clock): float
    {
        $late = $this->readyAt === null ? 0.0 : max(0.0, $this->readyAt - $clock->endsAt);

        return round($late / $clock->stepS) * $clock->stepS / 60;
    }
}
