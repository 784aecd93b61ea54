<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;

final readonly class CurvePoint
{
    /** @param  list<float>|null  $profile_c */
    public function __construct(
        #[Field('since the sheet went in', 's')] public float $time_s,
        #[Field('face of the polymer', '°C')] public float $surface_c,
        #[Field('mid-plane', '°C')] public float $core_c,
        #[Field('of the whole sheet, closing', 'mm')] public float $thickness_mm,
        #[Field('the outer body: hot platen, then cold', '°C')] public float $platen_c,
        #[Field('share of the sheet still loose', '')] public float $loose,
        #[Field(
            'from the mid-plane to the face, evenly by mass; only when asked for',
            '°C',
            of: 'number',
        )]
        public ?array $profile_c = null,
    ) {
    }
}
