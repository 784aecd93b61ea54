<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A timer of a run that instruments of the main machine can put right. Times in seconds since 1970 UTC. */
final readonly class Clock
{
    /**
     * @param  non-empty-list<string>  $channels  that say how it really goes
     * @param  array<string, float>  $really  of the plan's input what the log says otherwise
     * @param  float  $nearS  nearer to its timer than this nobody is told, s
     * @param  float  $stepS  by how much it is given more, s
     */
    public function __construct(
        public ?int $piece,
        public string $timer,
        public float $from,
        public float $endsAt,
        public array $channels,
        public array $really = [],
        public float $nearS = 30.0,
        public float $stepS = 60.0,
    ) {
    }
}
