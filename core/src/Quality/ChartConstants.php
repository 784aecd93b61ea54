<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

final readonly class ChartConstants
{
    public function __construct(
        public float $A2,
        public float $D3,
        public float $D4,
        public float $d2,
    ) {
    }
}
