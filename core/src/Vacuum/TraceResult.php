<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class TraceResult extends Result
{
    public function __construct(
        #[Field('the sheet closed on the box; null when it never did', 's')] public readonly ?float $seal_s,
        #[Field('the tank, or the second pump, came; null for one stage', 's')] public readonly ?float $second_stage_s,
        #[Field('mean of the last second', 'kPa')] public readonly float $end_kpa,
        #[Field('of the vacuum that is possible under this air', '%')] public readonly float $end_pct,
        #[Field('from the heater leaving to the seal', 's')] public readonly ?float $delay_s,
        #[Field('rise over the last fifth', 'kPa/min')] public readonly float $leak_kpa_min,
        public readonly TraceVerdict $verdict,
    ) {
    }
}
