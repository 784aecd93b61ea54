<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FillResult extends Result
{
    /** @param  list<FillSegment>  $segments */
    public function __construct(
        #[Field('', 'bar')] public readonly float $pressure_bar,
        #[Field('as the path is given', of: FillSegment::class)] public readonly array $segments,
        #[Field('', 's')] public readonly float $fill_s,
        #[Field('too little pressure, freezes first or fills')] public readonly string $verdict,
        #[Field('of the pressure that is there; null when that is not given', '%')] public readonly ?float $spare_pct,
    ) {
    }
}
