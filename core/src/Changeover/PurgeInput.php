<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;

final readonly class PurgeInput
{
    /** @param  list<string>|null  $available */
    public function __construct(
        public MaterialState $from,
        public MaterialState $to,
        #[Field('', 'cm3', above: 0, max: 1e6)] public float $barrel_volume_cm3,
        #[Field('left of the old one', '%', above: 0, below: 100)] public float $residual_pct = 0.5,
        #[Field('1 is perfectly mixed', '', min: 0, max: 1)] public float $mixing = 0.6,
        #[Field('', 'cm3/min', above: 0, max: 1e6)] public ?float $throughput_cm3_min = null,
        #[Field(
            'codes of what the shop has to put between; the whole library unless given',
            of: 'string',
            atMost: 60,
        )]
        public ?array $available = null,
    ) {
    }
}
