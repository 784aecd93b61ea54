<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;

/** A tank that is pumped to be full just when it is wanted: full too soon it only leaks. */
final readonly class TankFill
{
    public function __construct(
        #[Field('by the pump, from the air', 's')] public float $fill_s,
        #[Field('the pump goes on, after the sheet went under the heater; under 0 before it', 's')]
        public float $start_s,
        #[Field('absolute, when it is full', 'kPa')] public float $kpa,
        #[Field('on the gauge, of what the air here allows', '%')] public float $gauge_pct,
    ) {
    }
}
