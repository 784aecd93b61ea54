<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;

/** What a heater's surface read. */
final readonly class HeaterReading
{
    public function __construct(
        #[Field('since the sheet came under it', 's', min: -86400, max: 3600)] public float $t_s,
        #[Field('of its surface', '°C', min: -50, max: 1500)] public float $heater_c,
    ) {
    }
}
