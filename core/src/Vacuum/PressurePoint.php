<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;

final readonly class PressurePoint
{
    public function __construct(
        #[Field('', 's')] public float $time_s,
        #[Field('absolute', 'kPa')] public float $kpa,
    ) {
    }
}
