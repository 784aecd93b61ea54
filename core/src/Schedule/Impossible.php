<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/** A job that is not in the plan. */
final readonly class Impossible
{
    public function __construct(public string $job, public string $says)
    {
    }
}
