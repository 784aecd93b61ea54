<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ConditionResult extends Result
{
    public function __construct(
        #[Field('', 'h')] public readonly float $hours,
    ) {
    }
}
