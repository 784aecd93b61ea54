<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FactorResult extends Result
{
    public function __construct(
        #[Field('times what the physics says')] public readonly float $factor,
        #[Field('5 % of it')] public readonly float $low,
        #[Field('95 % of it')] public readonly float $high,
        #[Field('observations used')] public readonly int $used,
    ) {
    }
}
