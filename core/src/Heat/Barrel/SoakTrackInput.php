<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;

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
        foreach ($this->readings as $i => $reading) {
            if ($i > 0 && $reading->t_s <= $this->readings[$i - 1]->t_s) {
                throw new InputError("readings.{$i}.t_s", 'must be later than the reading before it');
            }
        }
    }
}
