<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class DrawResult extends Result
{
    public function __construct(
        #[Field('', 'cm2')] public readonly float $footprint_cm2,
        #[Field('', 'cm2')] public readonly float $surface_cm2,
        public readonly float $areal_draw_ratio,
        #[Field('', 'mm')] public readonly float $mean_wall_mm,
        public readonly float $linear_draw_ratio,
    ) {
    }
}
