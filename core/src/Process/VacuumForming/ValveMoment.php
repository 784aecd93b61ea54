<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;

/** How the valves stand at one moment of a part. */
final readonly class ValveMoment
{
    /**
     * @param  list<string>  $open
     * @param  list<string>  $shut
     */
    public function __construct(
        #[Field('of the procedure')] public string $step,
        #[Field] public string $when,
        #[Field('pump_tank, tank_bed, blower_bed, pump_bed, air_bed', of: 'string')] public array $open,
        #[Field('', of: 'string')] public array $shut,
    ) {
    }
}
