<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class Blank
{
    public function __construct(
        #[Field('near corner along the stock\'s length', 'mm')] public float $x_mm,
        #[Field('near corner along its width', 'mm')] public float $y_mm,
        #[Field('along x as placed', 'mm')] public float $length_mm,
        #[Field('along y as placed', 'mm')] public float $width_mm,
        public bool $turned,
    ) {
    }
}
