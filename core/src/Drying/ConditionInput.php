<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;

final readonly class ConditionInput
{
    public function __construct(
        #[Field('of the wall', 'mm', min: 0.01, max: 100)] public float $thickness_mm,
        public Route $route,
        #[Field('of what it takes up in the end', '', above: 0, below: 1)] public float $fraction = 0.9,
        #[Field(
            'what the shop has found to be enough; the answer when given',
            'h',
            above: 0,
            max: 100000,
        )]
        public ?float $shop_hours = null,
    ) {
    }
}
