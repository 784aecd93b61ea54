<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class SettingsFacts
{
    public function __construct(
        #[Field('hottest set-point of the run', '°C', min: -50, max: 1000)] public float $set_c,
    ) {
    }
}
