<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Heat\Dwell\Verdict;

/** What is in a machine at a moment of its run, as the run's log says: how much, how old, for how many pieces more. */
final readonly class Inside
{
    /**
     * @param  float  $at  the moment, s since 1970 UTC
     * @param  int  $pieces  that it is enough for
     * @param  float|null  $oldest_s  of what is at least a hundredth of it
     * @param  float|null  $used  share of its time that the next piece has spent; null where the polymer's is not known
     * @param  float|null  $minutes_left  until that piece is spent
     * @param  list<array{mass_g: float, age_s: float}>  $layers  from where it comes out to where it goes in
     * @param  string|null  $do  what to do about it; null when nothing
     */
    public function __construct(
        public float $at,
        public float $mass_g,
        public float $capacity_g,
        public float $piece_g,
        public int $pieces,
        public ?float $oldest_s,
        public ?float $used,
        public ?float $minutes_left,
        public ?Verdict $verdict,
        public array $layers,
        public string $says,
        public ?string $do,
    ) {
    }
}
