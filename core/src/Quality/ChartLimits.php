<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

final readonly class ChartLimits
{
    public function __construct(
        public float $centre,
        public float $ucl,
        public float $lcl,
    ) {
    }
}
