<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class OneMoreResult extends Result
{
    public function __construct(
        #[Field('on a worked day', '')] public readonly float $per_day,
        #[Field('in a year', '')] public readonly float $per_year,
        #[Field('won in a year', 'h')] public readonly float $hours_year,
        #[Field('for each hour won; null where none is', '')] public readonly ?float $per_hour_won,
    ) {
    }
}
