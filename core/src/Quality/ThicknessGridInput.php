<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

final readonly class ThicknessGridInput
{
    /** @param  list<ThicknessPoint>  $points */
    public function __construct(
        #[Field('where and how thick', of: ThicknessPoint::class, atLeast: 3, atMost: 5000)] public array $points,
        #[Field('wanted thickness', 'mm', min: 0.01, max: 500)] public float $nominal_mm,
        #[Field(
            'allowed largest less smallest: the product\'s own',
            'mm',
            above: 0,
            max: 100,
        )]
        public float $tolerance_mm,
    ) {
    }
}
