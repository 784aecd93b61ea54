<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Heat\InOrder;

final readonly class SoakTrackInput implements Checked
{
    /** @param  list<ZoneReading>  $readings */
    public function __construct(
        #[Flatten] public BarrelSoakInput $soak,
        #[Field('since the charge went in', 's', min: 0, max: 172800)] public float $now_s,
        #[Field('of the wall, in order', of: ZoneReading::class, atMost: 20000)] public array $readings,
    ) {
    }

    public function check(): void
    {
        InOrder::must($this->readings);
    }
}
