<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

/** What is particular to a press and its people on a day. */
final readonly class PressHabits
{
    public function __construct(
        public float $gaugeOffsetK = 0.0,
        public float $tiltXMmPerM = 0.1,
        public float $tiltYMmPerM = 0.0,
        public float $bowMm = -0.12,
    ) {
    }
}
