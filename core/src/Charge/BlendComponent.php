<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class BlendComponent
{
    public function __construct(
        public string $name,
        #[Field('', '%')] public float $percent,
        #[Field('exact', 'g')] public float $mass_g,
        #[Field('on the scale', 'g')] public float $rounded_g,
        #[Field('of rounding', '%')] public float $error_pct,
        #[Field('at least min_divisions steps of the scale')] public bool $weighable,
    ) {
    }
}
