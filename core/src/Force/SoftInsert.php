<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

/** What a printed or cast insert stands. */
final readonly class SoftInsert
{
    public function __construct(
        #[Field(
            'stress in compression that it stands warm, by its data sheet',
            'MPa',
            min: 0.1,
            max: 2000,
        )]
        public float $allowable_mpa,
        #[Field('face of the insert that carries the clamp', 'cm2', min: 0.01, max: 1e6)] public float $land_area_cm2,
    ) {
    }
}
