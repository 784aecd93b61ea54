<?php

declare(strict_types=1);

namespace Dithermic\Core\Data;

/** From the least over the usual to the most that a data file gives. */
final readonly class Range
{
    public function __construct(public float $min, public float $typical, public float $max)
    {
    }
}
