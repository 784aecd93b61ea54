<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Heat\Barrel\BarrelSoakInput;

/** One full barrel that was waited for. */
final readonly class FullShot
{
    public function __construct(
        #[Field('of heat.barrel_soak, as it was set')] public BarrelSoakInput $input,
        #[Field('from the filling to the look', 'min', above: 0, max: 10000)] public float $minutes,
        #[Field('what it looked like')] public SoakCue $cue,
        #[Field('of ln of one such time', '', above: 0, max: 3)] public float $sd = 0.08,
    ) {
    }
}
