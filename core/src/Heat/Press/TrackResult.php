<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class TrackResult extends Result
{
    public function __construct(
        #[Field('mid-plane now', '°C')] public readonly float $core_now_c,
        #[Field('face of the polymer now', '°C')] public readonly float $surface_now_c,
        #[Field(
            'from slide-in until the middle is hot enough, soak not counted; null when it never is',
            's',
        )]
        public readonly ?float $ready_s,
        #[Field('against the plan of this press; positive is late', 's')] public readonly ?float $lag_s,
        #[Field('why it moved')] public readonly string $because,
        #[Field('of each platen, as the last minutes show', 'kW')] public readonly float $heater_kw,
        #[Field('of the platens, as the last minutes show', '°C')] public readonly float $set_c,
    ) {
    }
}
