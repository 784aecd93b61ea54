<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SoakTrackResult extends Result
{
    public function __construct(
        #[Field('of the axis, since the charge went in; null when it never comes by itself', 's')]
        public readonly ?float $ready_s,
        #[Field('by the plan alone', 's')] public readonly float $planned_s,
        #[Field('of the axis', '°C')] public readonly float $axis_now_c,
        #[Field('as it was read last', '°C')] public readonly float $wall_now_c,
        #[Field('what the axis gets to', '°C')] public readonly float $target_c,
        #[Field('into the plan at which its axis would be as hot as it is now', 's')] public readonly float $as_if_s,
        #[Field('why it moved')] public readonly string $because,
    ) {
    }
}
