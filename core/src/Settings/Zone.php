<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;

final readonly class Zone
{
    public function __construct(
        public string $zone,
        #[Field('', '°C')] public float $set_c,
    ) {
    }
}
