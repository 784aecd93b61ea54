<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class CostResult extends Result
{
    /** @param  list<CostLine>  $lines */
    public function __construct(
        #[Field('all of it over the good parts', '')] public readonly float $per_good_part,
        #[Field('', of: CostLine::class)] public readonly array $lines,
        #[Field('what the scrapped parts took', '')] public readonly float $scrap_cost,
        #[Field('of the run', '')] public readonly float $total,
    ) {
    }
}
