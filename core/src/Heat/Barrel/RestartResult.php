<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class RestartResult extends Result
{
    public function __construct(
        #[Field('as it was read, or as it cools', '°C')] public readonly float $barrel_c,
        #[Field('until the steel is at its set-point again', 'min')] public readonly float $heat_min,
        #[Field('until what is in it is melt to its middle, after that', 'min')] public readonly float $soak_min,
        #[Field('before the next shot', 'min')] public readonly float $wait_min,
        public readonly StillIn $state,
        #[Field('of the melt\'s life that the break and the wait use', '')] public readonly ?float $life_used,
    ) {
    }
}
