<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** A bound of what was learnt. */
final readonly class PressBound
{
    public function __construct(
        #[Field('', 'kW')] public float $heater_kw,
        #[Field('', 'kJ/K')] public float $platen_kj_k,
        #[Field('idle at its set-point', 'kW')] public float $loss_kw,
    ) {
    }
}
