<?php

declare(strict_types=1);

namespace Dithermic\Core\Cycle;

use Dithermic\Core\Calculator\Field;

final readonly class WhatIf
{
    public function __construct(
        public string $change,
        #[Field('', 's')] public float $cycle_s,
        public int $per_shift,
    ) {
    }
}
