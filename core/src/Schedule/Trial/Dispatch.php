<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Schedule\StationOption;

/** Who says what is begun next. */
interface Dispatch
{
    /**
     * What may be begun now, the most wanted first. It is asked again after each that was begun.
     *
     * @return iterable<array{Underway, StationOption}>
     */
    public function wanted(Floor $floor): iterable;

    /**
     * Whose work a piece is; null: whoever is free.
     *
     * @return list<string>|null
     */
    public function team(Floor $floor, Underway $unit): ?array;

    /** The next moment after now at which it wants to be asked, min; infinite where only events matter. */
    public function next(Floor $floor): float;

    /** Something came otherwise: a machine fell out or is back, somebody left, a piece was no good. */
    public function told(Floor $floor, string $what): void;
}
