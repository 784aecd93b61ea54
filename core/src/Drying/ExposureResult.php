<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ExposureResult extends Result
{
    public function __construct(
        #[Field('below 0 once it is over; null when it takes up nothing', 'min')] public readonly ?float $minutes_left,
        public readonly ?float $fraction_used,
        #[Field('dry, use now or dry again')] public readonly string $state,
    ) {
    }
}
