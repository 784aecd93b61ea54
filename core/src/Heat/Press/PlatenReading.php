<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;

final readonly class PlatenReading
{
    public function __construct(
        #[Field('since the sheet went in', 's', min: -86400, max: 1e6)] public float $t_s,
        #[Field('of the platen', '°C', min: -50, max: 600)] public float $platen_c,
    ) {
    }
}
