<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

final readonly class ChangeInput
{
    /** @param  list<string>|null  $available */
    public function __construct(
        public InjectorFacts $machine,
        public InBarrel $to,
        public ?InBarrel $from = null,
        public ?MouldFacts $mould_from = null,
        public ?MouldFacts $mould_to = null,
        #[Field('as its product wants it', '°C', min: 0, max: 250)] public ?float $mould_c = null,
        #[Field('of the barrel now', '°C', min: -20, max: 600)] public float $barrel_c = 20.0,
        #[Field('that the new material still wants in the dryer', 'min', min: 0, max: 2880)]
        public float $dry_min = 0.0,
        #[Field('it is in the dryer already, for as long as dry_min says')] public bool $in_dryer = false,
        #[Field('who work on it', '', min: 1, max: 2)] public int $people = 1,
        #[Field('parts that are judged before it counts as running', '', min: 1, max: 50)] public int $first_parts = 3,
        #[Field('of the new job, shot to shot', 's', above: 0, max: 3600)] public float $cycle_s = 60.0,
        #[Field('a mould out and another in', 'min', above: 0, max: 600)] public float $mould_min = 30.0,
        #[Field('1 is perfectly mixed', '', min: 0, max: 1)] public float $mixing = 0.6,
        #[Field('codes of what the shop has to put between; the whole library unless given', of: 'string', atMost: 60)]
        public ?array $available = null,
    ) {
    }
}
