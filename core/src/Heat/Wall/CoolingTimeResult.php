<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class CoolingTimeResult extends Result
{
    public function __construct(
        #[Field('', 's')] public readonly float $cooling_s,
    ) {
    }
}
