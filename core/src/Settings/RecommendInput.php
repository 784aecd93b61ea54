<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Safety\Process;

final readonly class RecommendInput
{
    /**
     * @param  list<Known>  $last_good_run
     * @param  list<Known>  $your_rules
     */
    public function __construct(
        public Process $process,
        #[Field('code of a polymer in the library')] public string $polymer,
        public PartSetup $part,
        public MachineSetup $machine = new MachineSetup,
        public MouldSetup $mould = new MouldSetup,
        #[Field(
            'what this machine ran with when it was last good with this polymer',
            of: Known::class,
            atMost: 50,
        )]
        public array $last_good_run = [],
        #[Field(
            'what this shop always does; goes before everything else',
            of: Known::class,
            atMost: 50,
        )]
        public array $your_rules = [],
        #[Field('', '°C', min: -50, max: 100)] public float $room_c = 20.0,
    ) {
    }
}
