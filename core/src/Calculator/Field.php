<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use Attribute;

/**
 * What a field of a calculation means: its unit, its physical range and a description.
 * `min` and `max` are inclusive, `above` and `below` exclusive. `of` names the class, or "number", of a list's items.
 */
#[Attribute(Attribute::TARGET_PROPERTY | Attribute::TARGET_PARAMETER)]
final readonly class Field
{
    public function __construct(
        public string $about = '',
        public string $unit = '',
        public ?float $min = null,
        public ?float $max = null,
        public ?float $above = null,
        public ?float $below = null,
        public ?string $of = null,
        public int $atLeast = 0,
        public int $atMost = 10000,
    ) {
    }
}
