<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;

/** What came out at the nozzle, and of what it was. */
final readonly class BarrelShot
{
    public function __construct(
        #[Field('', 's')] public float $at_s,
        public BarrelEventKind $kind,
        #[Field('', 'g')] public float $mass_g,
        #[Field('of each lot, by mass', '', of: 'shares')] public object $shares,
        #[Field('since it was loaded, by mass', 's')] public float $mean_age_s,
    ) {
    }
}
