<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

/**
 * A run that is over, what the instruments of its main machine read in it and what hands logged, for whoever learns of
 * it.
 */
final readonly class ReadRun
{
    /**
     * @param  array<string, mixed>  $picture  that its plan was drawn from
     * @param  array<int, array{started_at: float, ended_at: float}>  $heats  its heat timers, s since 1970 UTC
     * @param  array<string, list<array{float, float}>>  $readings  by channel: s since 1970 UTC and what was read, in order
     * @param  list<array{entry: string, at: float, values: array<string, mixed>}>  $logged  as it stands, in order of its time
     */
    public function __construct(
        public int $number,
        public array $picture,
        public array $heats,
        public array $readings,
        public array $logged = [],
    ) {
    }
}
