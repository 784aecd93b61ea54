<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;

final readonly class ConditionInput
{
    public function __construct(
        #[Field('of the wall', 'mm', above: 0, max: 100)] public float $thickness_mm,
        public Route $route,
        #[Field('of what it takes up in the end', '', above: 0, below: 1)] public float $fraction = 0.9,
    ) {
    }
}
