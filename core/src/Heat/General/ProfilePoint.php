<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

final readonly class ProfilePoint
{
    public function __construct(public float $x_mm, public float $c)
    {
    }
}
