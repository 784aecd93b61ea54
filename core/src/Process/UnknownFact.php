<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A fact that the answer hangs on and nobody has said: what that does to the answer. */
final readonly class UnknownFact
{
    public function __construct(public string $fact, public string $effect)
    {
    }
}
