<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/** A value of a polymer that a shop may set for itself, and between what it can lie at all. */
final readonly class OwnValue
{
    /** @param  string  $path  dotted, into the polymer's record */
    public function __construct(
        public string $path,
        public string $title,
        public string $unit,
        public float $low,
        public float $high,
    ) {
    }
}
