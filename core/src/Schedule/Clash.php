<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/** Why a task does not begin at a moment, and from when on it is worth another look; infinite where it never is. */
final readonly class Clash
{
    public function __construct(public float $notBefore, public string $says)
    {
    }
}
