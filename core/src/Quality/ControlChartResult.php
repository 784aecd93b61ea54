<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ControlChartResult extends Result
{
    /**
     * @param  list<BrokenPoint>  $points
     */
    public function __construct(
        public readonly float $centre,
        public readonly float $ucl,
        public readonly float $lcl,
        #[Field('the MR or R chart; null for p')] public readonly ?ChartLimits $range,
        #[Field('null for p')] public readonly ?ChartConstants $constants,
        #[Field('only those with a broken rule', '', of: BrokenPoint::class)] public readonly array $points,
    ) {
    }
}
