<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;

/** What a barrel's zone read. */
final readonly class ZoneReading
{
    public function __construct(
        #[Field('since the charge went in', 's', min: -86400, max: 172800)] public float $t_s,
        #[Field('of the wall', '°C', min: -50, max: 600)] public float $wall_c,
    ) {
    }
}
