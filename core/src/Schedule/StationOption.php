<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** A station that can do a task, and how long it takes there. */
final readonly class StationOption
{
    public function __construct(
        public string $station,
        #[Field('', 'min', above: 0, max: 100000)] public float $minutes,
    ) {
    }
}
