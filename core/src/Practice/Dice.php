<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Chance that is the same again from the same seed. */
final readonly class Dice
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    public function whole(int $low, int $high): int
    {
        return $this->random->getInt($low, $high);
    }

    /** Box and Muller (1958). */
    public function normal(float $mean, float $deviation): float
    {
        $u = ($this->random->getInt(0, 999_999) + 1) / 1_000_000;
        $v = $this->random->getInt(0, 999_999) / 1_000_000;

        return $mean + $deviation * sqrt(-2 * log($u)) * cos(2 * M_PI * $v);
    }

    public function happens(float $chance): bool
    {
        return $this->between(0, 1) < $chance;
    }
}
