<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** What each hot platen can do, as heat.press_cycle asks for it. */
final readonly class PressNumbers
{
    public function __construct(
        #[Field('', 'kW')] public float $heater_kw,
        #[Field('', 'kJ/K')] public float $platen_kj_k,
        #[Field('idle at its set-point', 'kW')] public float $loss_kw,
        #[Field('5 % of each')] public PressBound $low,
        #[Field('95 % of each')] public PressBound $high,
    ) {
    }
}
