<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\Field;

/** Side facets whose draft lies from `from_deg` up to, not including, `to_deg`. */
final readonly class DraftBand
{
    public function __construct(
        #[Field('', '°')] public float $from_deg,
        #[Field('', '°')] public float $to_deg,
        #[Field('of the sides in it', 'cm2')] public float $area_cm2,
    ) {
    }
}
