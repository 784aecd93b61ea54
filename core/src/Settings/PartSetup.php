<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;

final readonly class PartSetup
{
    public function __construct(
        #[Field(
            'of the wall, the sheet or the panel; the smaller side of a bar',
            'mm',
            min: 0.01,
            max: 300,
        )]
        public float $thickness_mm,
        #[Field('of a panel; the larger side of a bar', 'mm', above: 0, max: 20000)] public ?float $width_mm = null,
        #[Field('of a panel', 'mm', above: 0, max: 20000)] public ?float $length_mm = null,
        #[Field('depth of draw over the opening, by area', '', min: 1, max: 20)] public ?float $area_draw_ratio = null,
    ) {
    }
}
