<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** A task that stands elsewhere than before. */
final readonly class Moved
{
    public function __construct(
        public string $job,
        public int $piece,
        public string $task,
        #[Field('null where it was not there', 'min')] public ?float $from_min,
        #[Field('', 'min')] public float $to_min,
        public string $station,
    ) {
    }
}
