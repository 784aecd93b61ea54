<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

/** How a day went. */
final readonly class Outcome
{
    /** @param  list<string>  $wrong  what must not be: somebody twice at once, over the supply, hot and left alone */
    public function __construct(
        public float $idleMin,
        public int $ringsAtOnce,
        public int $rings,
        public float $handsMin,
        public float $lateMin,
        public int $made,
        public int $notMade,
        public int $driedAgain,
        public float $calledMin,
        public float $heldMin,
        public array $wrong,
    ) {
    }
}
