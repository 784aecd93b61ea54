<?php

declare(strict_types=1);

namespace App\Instruments\Support;

/** By how much a channel was found to be off, since when: what is added to a reading of a moment. */
final readonly class Offsets
{
    /** @param  list<array{float, float}>  $found  seconds since 1970 and what is added from then on, oldest first */
    public function __construct(private array $found = [])
    {
    }

    public function at(float $moment): float
    {
        $add = 0.0;
        foreach ($this->found as [$from, $offset]) {
            if ($from > $moment) {
                break;
            }
            $add = $offset;
        }

        return $add;
    }
}
