<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/** What another polymer does to one. */
final readonly class Incompatible
{
    public function __construct(public string $code, public string $why, public string $severity)
    {
    }
}
