<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;

final readonly class TraceReading
{
    public function __construct(
        #[Field('', 's', min: -1e6, max: 1e9)] public float $t_s,
        #[Field('absolute', 'kPa', min: -5, max: 130)] public float $kpa_abs,
    ) {
    }
}
