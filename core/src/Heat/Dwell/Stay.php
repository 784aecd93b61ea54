<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Dwell;

use Dithermic\Core\Calculator\Field;

/** So long at one temperature. */
final readonly class Stay
{
    public function __construct(
        #[Field('', 'min', min: 0, max: 100000)] public float $minutes,
        #[Field('', '°C', min: -50, max: 600)] public float $melt_c,
    ) {
    }
}
