<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SlabResult extends Result
{
    /** @param  list<SlabSample>  $samples */
    public function __construct(
        #[Field('one per time asked for', of: SlabSample::class)] public readonly array $samples,
        #[Field('thickness at the end', 'mm')] public readonly float $thickness_mm,
        #[Field(
            'heat let in through both faces; cylinder: per m2 of its outer face',
            'J/m2',
        )]
        public readonly float $energy_in_j_m2,
        #[Field('heat let in less enthalpy gained, of the larger', '%')] public readonly float $energy_error_pct,
    ) {
    }
}
