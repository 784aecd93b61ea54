<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ThicknessGridResult extends Result
{
    /** @param  list<string>  $advice */
    public function __construct(
        #[Field('', 'mm')] public readonly float $min,
        #[Field('', 'mm')] public readonly float $max,
        #[Field('', 'mm')] public readonly float $mean,
        #[Field('largest less smallest', 'mm')] public readonly float $range_mm,
        #[Field('ok or uneven')] public readonly string $verdict,
        #[Field('tilt of the fitted surface', 'mm/m')] public readonly Slope $slope_mm_per_m,
        #[Field(
            'centre less the edge of the fitted paraboloid; negative is a thin centre; null for too few points',
            'mm',
        )]
        public readonly ?float $bow_mm,
        #[Field('root mean square about the fit', 'mm')] public readonly float $residual_mm,
        #[Field('where the fitted plane is lowest: x-y-, x+y-, x-y+ or x+y+')] public readonly string $low_corner,
        #[Field('what to do about it', of: 'string')] public readonly array $advice,
    ) {
    }
}
