<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

use Dithermic\Core\Calculator\Field;

/** One piece of the way of the melt. */
final readonly class FillSegment
{
    public function __construct(
        #[Field('', 'bar')] public float $pressure_bar,
        #[Field('', '1/s')] public float $wall_shear_rate_1_s,
        #[Field('by its own friction', 'K')] public float $heating_k,
        #[Field('', 's')] public float $fill_s,
        #[Field('frozen shut if nothing moved', 's')] public float $freeze_s,
    ) {
    }
}
