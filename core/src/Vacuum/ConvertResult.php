<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Result;

final class ConvertResult extends Result
{
    public function __construct(
        public readonly float $value,
    ) {
    }
}
