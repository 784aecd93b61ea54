<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A stretch of a run in which an instrument tells something of a piece. Times in seconds since 1970 UTC. */
final readonly class Listen
{
    /** @param  float|null  $mark  a moment in it that counts, as the run's log has it */
    public function __construct(
        public int $piece,
        public string $channel,
        public float $from,
        public float $to,
        public ?float $mark = null,
    ) {
    }
}
