<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FitSoakResult extends Result
{
    /** @param  list<float>  $predicted_min */
    public function __construct(
        #[Field('times what the physics says')] public readonly float $factor,
        #[Field('5 % of it')] public readonly float $low,
        #[Field('95 % of it')] public readonly float $high,
        #[Field('shots used')] public readonly int $used,
        #[Field('soak of a full barrel by the physics alone, of each shot', 'min')]
        public readonly array $predicted_min,
    ) {
    }
}
