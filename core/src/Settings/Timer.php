<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;

final readonly class Timer
{
    public function __construct(
        public string $timer,
        #[Field('', 's')] public float $seconds,
        #[Field('the calculation it comes from')] public string $calculation,
        public string $because,
    ) {
    }
}
