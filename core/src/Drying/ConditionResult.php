<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ConditionResult extends Result
{
    public function __construct(
        #[Field('the shop\'s own, else until the fraction is in', 'h')] public readonly float $hours,
        #[Field('until the fraction is in, by diffusion', 'h')] public readonly float $physics_hours,
        #[Field(
            'share of the water with which such a part is tough enough to use; an estimate',
            '',
        )]
        public readonly float $fraction_usable,
        #[Field('until that share is in', 'h')] public readonly float $hours_usable,
    ) {
    }
}
