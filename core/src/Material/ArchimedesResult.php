<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ArchimedesResult extends Result
{
    public function __construct(
        #[Field('of the piece', 'g/cm3')] public readonly float $density_g_cm3,
        #[Field('', 'g/cm3')] public readonly float $water_density_g_cm3,
    ) {
    }
}
