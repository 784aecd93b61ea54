<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What pieces tell of the machine that made them: something of it to be looked after. */
final readonly class Wear
{
    /** @param  string  $title  the same each time that the same is seen */
    public function __construct(public string $title, public string $why)
    {
    }
}
