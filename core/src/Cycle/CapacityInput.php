<?php

declare(strict_types=1);

namespace Dithermic\Core\Cycle;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Safety\Process;

final readonly class CapacityInput
{
    /**
     * @param  list<CycleStep>  $steps
     * @param  array<string, int>  $resources
     */
    public function __construct(
        public Process $process,
        #[Field(
            'one piece goes through them in this order',
            '',
            of: CycleStep::class,
            atLeast: 1,
            atMost: 200,
        )]
        public array $steps,
        #[Field('', 'min', above: 0, max: 100000)] public float $shift_min,
        #[Field('how many of each; 1 for any not named', of: 'counts')] public array $resources = [],
        #[Field('at the start of a shift', 'min', min: 0, max: 100000)] public float $startup_min = 0.0,
        #[Field('pieces', '', above: 0, max: 1e9)] public ?float $wanted = null,
        #[Field(
            'the step "soak" when the feed comes preheated',
            's',
            min: 0,
            max: 1e6,
        )]
        public ?float $preheated_soak_s = null,
    ) {
    }
}
