<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Dwell;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BudgetResult extends Result
{
    public function __construct(
        #[Field('share of what it stands; over 1 it is spent', '')] public readonly float $used,
        #[Field('at the last temperature', 'min')] public readonly float $minutes_left,
        public readonly Verdict $verdict,
    ) {
    }
}
