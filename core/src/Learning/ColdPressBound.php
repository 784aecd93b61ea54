<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** A bound of what was learnt. */
final readonly class ColdPressBound
{
    public function __construct(
        #[Field('', 'kJ/K')] public float $platen_kj_k,
        #[Field('', 'W/K')] public float $cooling_w_k,
        #[Field('', '°C')] public float $coolant_c,
    ) {
    }
}
