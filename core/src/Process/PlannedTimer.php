<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

final readonly class PlannedTimer
{
    public function __construct(
        #[Field('as the procedure names it')] public string $id,
        #[Field('', 'min')] public float $minutes,
        public string $because,
    ) {
    }
}
