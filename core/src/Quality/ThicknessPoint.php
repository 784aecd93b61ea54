<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

final readonly class ThicknessPoint
{
    public function __construct(
        #[Field('along the length', 'mm', min: -100000, max: 100000)] public float $x_mm,
        #[Field('along the width', 'mm', min: -100000, max: 100000)] public float $y_mm,
        #[Field('measured', 'mm', above: 0, max: 1000)] public float $t_mm,
    ) {
    }
}
