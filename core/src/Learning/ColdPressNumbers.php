<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** What each cold platen takes up and gets rid of, as heat.press_cycle asks for it. */
final readonly class ColdPressNumbers
{
    public function __construct(
        #[Field('', 'kJ/K')] public float $platen_kj_k,
        #[Field('', 'W/K')] public float $cooling_w_k,
        #[Field('', '°C')] public float $coolant_c,
        #[Field('5 % of each')] public ColdPressBound $low,
        #[Field('95 % of each')] public ColdPressBound $high,
    ) {
    }
}
