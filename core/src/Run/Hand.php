<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** Something that needs hands, and what a minute of waiting for them costs. */
final readonly class Hand
{
    /** hands take at least so long, min */
    private const LEAST_MIN = 0.25;

    /**
     * @param  float  $at  from when, s since 1970 UTC
     * @param  string|null  $entry  that is logged with it
     * @param  string|null  $timer  that has run out then
     * @param  int|null  $piece  null for the run itself
     * @param  float  $minutes  that they take
     */
    public function __construct(
        public float $at,
        public string $what,
        public string $why,
        public string $step,
        public ?string $entry,
        public ?string $timer,
        public int $people,
        public string $place,
        public ?int $piece,
        public Wait $wait,
        public float $minutes,
    ) {
    }

    /**
     * Of several that wait at once the one that presses most goes first: cost of a minute over the minutes that it
     * takes, which of all orders costs least in all (Smith, Various optimizers for single-stage production, 1956).
     */
    public function presses(): float
    {
        return $this->wait->weight() / max(self::LEAST_MIN, $this->minutes);
    }

    /**
     * What hands are put in order by: those that wait by what presses, then those that come, the sooner first.
     *
     * @return array{int, float, float} the smaller goes first
     */
    public static function turn(float $at, float $presses, float $now): array
    {
        return $at <= $now ? [0, -$presses, $at] : [1, $at, 0.0];
    }
}
