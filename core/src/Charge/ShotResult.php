<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ShotResult extends Result
{
    public function __construct(
        #[Field('one part', 'g')] public readonly float $part_mass_g,
        #[Field('the whole shot with loss', 'g')] public readonly float $shot_mass_g,
        #[Field('of the shot, molten', 'cm3')] public readonly float $melt_volume_cm3,
        #[Field('of the plunger', 'mm')] public readonly float $stroke_mm,
        #[Field('', 'cm3')] public readonly float $barrel_volume_cm3,
        #[Field('full of melt', 'g')] public readonly float $barrel_capacity_g,
        #[Field('shot over barrel')] public readonly float $barrel_fraction,
        #[Field('whole shots in a full barrel')] public readonly int $shots_per_fill,
        #[Field('of the shot before it melts', 'cm3')] public readonly float $loose_volume_cm3,
        #[Field('loose barrel-fulls to tamp in for a full barrel of melt')] public readonly int $tamp_fills,
        #[Field('ok, too_big or tiny')] public readonly string $verdict,
    ) {
    }
}
