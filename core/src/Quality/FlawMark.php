<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

/** Where somebody saw a flaw, from the lower left corner of the part as it is drawn. */
final readonly class FlawMark
{
    public function __construct(
        #[Field('number of the part that has it', min: 1, max: 1000000)] public int $piece,
        #[Field('along the length', 'mm', min: 0, max: 100000)] public float $x_mm,
        #[Field('along the width', 'mm', min: 0, max: 100000)] public float $y_mm,
    ) {
    }
}
