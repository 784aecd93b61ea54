<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class AtmosphereResult extends Result
{
    public function __construct(
        #[Field('', 'kPa')] public readonly float $atmosphere_kpa,
    ) {
    }
}
