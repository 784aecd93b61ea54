<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

final readonly class FactorInput
{
    /** @param  list<Observation>  $observations */
    public function __construct(
        #[Field('what was foretold and what it took', of: Observation::class, atMost: 2000)] public array $observations,
        #[Field(
            'how far a machine may be from the physics before anything is known; sd of ln',
            '',
            above: 0,
            max: 3,
        )]
        public float $prior_sd = 0.25,
    ) {
    }
}
