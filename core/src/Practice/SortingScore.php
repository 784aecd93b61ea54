<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

/** How a simulated sorting went; shares are 0 to 1. */
final readonly class SortingScore
{
    public function __construct(
        public float $decided,
        /** of those decided; a family that holds the truth is right */
        public float $rightOfDecided,
        /** of those decided: PVC, hard or soft, and what is none of the polymers */
        public float $neverHotAccepted,
        public int $medianTests,
    ) {
    }
}
