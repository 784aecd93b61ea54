<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Field;

/** What the same shift would make with its tank colder. */
final readonly class CoolerBath
{
    public function __construct(
        #[Field('of the tank', '°C')] public float $bath_c,
        #[Field('in the tank until it is stripped', 's')] public float $strip_s,
        #[Field('in a shift that begins cold')] public int $bars_shift,
    ) {
    }
}
