<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** Where a task of a piece stands in a plan. */
final readonly class PlacedTask
{
    /** @param  list<string>  $people */
    public function __construct(
        public string $job,
        #[Field('from 1', '', min: 1)] public int $piece,
        public string $task,
        public string $station,
        #[Field('', 'min')] public float $start,
        #[Field('', 'min')] public float $end,
        #[Field('whose hands', of: 'string')] public array $people = [],
    ) {
    }
}
