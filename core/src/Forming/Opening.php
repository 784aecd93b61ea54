<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;

final readonly class Opening
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 10000)] public float $length_mm,
        #[Field('', 'mm', above: 0, max: 10000)] public float $width_mm,
    ) {
    }
}
