<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

/** An alarm that begins, or ends. */
final readonly class Turn
{
    /**
     * @param  float  $at  seconds since 1970 UTC
     * @param  float  $value  what was read, a change in units a minute, or seconds of silence
     */
    public function __construct(
        public AlarmKind $kind,
        public bool $begins,
        public float $at,
        public float $value,
        public float $limit,
    ) {
    }
}
