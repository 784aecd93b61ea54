<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SheetTrackResult extends Result
{
    public function __construct(
        #[Field('since it came under the heater; null when that never comes by itself', 's')]
        public readonly ?float $ready_s,
        #[Field('it is too hot; null when it never gets there', 's')] public readonly ?float $limit_s,
        #[Field('by the plan alone; null where its heater never gets it ready', 's')] public readonly ?float $planned_s,
        #[Field('', '°C')] public readonly float $mean_now_c,
        #[Field('', '°C')] public readonly float $hottest_now_c,
        #[Field('', '°C')] public readonly float $coldest_now_c,
        #[Field('as it was read last', '°C')] public readonly float $heater_now_c,
        #[Field('into the plan at which its mean would be what it is now', 's')] public readonly float $as_if_s,
        #[Field('why it moved')] public readonly string $because,
    ) {
    }
}
