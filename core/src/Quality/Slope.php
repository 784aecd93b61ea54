<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

final readonly class Slope
{
    public function __construct(public float $x, public float $y)
    {
    }
}
