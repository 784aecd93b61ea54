<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Field;

final readonly class SlabSample
{
    /** @param  list<ProfilePoint>  $profile */
    public function __construct(
        #[Field('', 's')] public float $time_s,
        #[Field('left surface', '°C')] public float $left_c,
        #[Field('right surface', '°C')] public float $right_c,
        #[Field('half way through the final thickness, or on the axis', '°C')] public float $centre_c,
        #[Field('mean by mass', '°C')] public float $mean_c,
        #[Field('', '°C')] public float $min_c,
        #[Field('', '°C')] public float $max_c,
        #[Field('faces and middles of the cells', of: ProfilePoint::class)] public array $profile,
    ) {
    }
}
