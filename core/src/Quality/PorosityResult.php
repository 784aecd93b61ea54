<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PorosityResult extends Result
{
    public function __construct(
        #[Field('mass over volume', 'g/cm3')] public readonly float $apparent_density,
        #[Field('share of the volume that is voids', '%')] public readonly float $porosity_pct,
        #[Field('impossible, sound, some_voids or porous')] public readonly string $verdict,
    ) {
    }
}
