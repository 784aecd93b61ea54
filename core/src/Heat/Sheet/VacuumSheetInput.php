<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;

final readonly class VacuumSheetInput
{
    public function __construct(
        #[Flatten] public ClampedSheet $sheet,
        #[Field('', '°C', min: -50, max: 1500)] public float $heater_c,
        #[Field('emissivity times view', '', above: 0, max: 1)] public float $exchange,
    ) {
    }
}
