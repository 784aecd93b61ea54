<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;

final readonly class HandsCost
{
    public function __construct(
        #[Field('', 'min', min: 0, max: 1e7)] public float $minutes,
        #[Field('for each hour', '', min: 0, max: 1e6)] public float $price_h,
    ) {
    }
}
