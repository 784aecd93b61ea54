<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BlanksResult extends Result
{
    /**
     * @param  list<Blank>  $layout
     */
    public function __construct(
        public readonly int $count,
        #[Field('of the whole stock sheet', '%')] public readonly float $yield_pct,
        #[Field('', '', of: Blank::class)] public readonly array $layout,
    ) {
    }
}
