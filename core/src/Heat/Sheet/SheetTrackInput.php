<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Heat\InOrder;

final readonly class SheetTrackInput implements Checked
{
    /** @param  list<HeaterReading>  $readings */
    public function __construct(
        #[Flatten] public VacuumSheetInput $sheet,
        #[Field('under the heater, without what looks took', 's', min: 0, max: 3600)] public float $now_s,
        #[Field('of the heater, in order', of: HeaterReading::class, atMost: 20000)] public array $readings,
    ) {
    }

    public function check(): void
    {
        InOrder::must($this->readings);
    }
}
