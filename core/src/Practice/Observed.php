<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

/** Something that is written down: an entry of the procedure with its values. */
final readonly class Observed
{
    /**
     * @param  array<string, mixed>  $values
     * @param  float  $takesS  hands take so long over it, s
     */
    public function __construct(
        public string $entry,
        public array $values,
        public float $takesS = 10.0,
    ) {
    }
}
