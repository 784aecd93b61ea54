<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** When somebody's hands are wanted. */
final readonly class Hand
{
    public function __construct(
        public string $person,
        #[Field('', 'min')] public float $from,
        #[Field('', 'min')] public float $to,
        public string $what,
        public string $station,
    ) {
    }
}
