<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use Attribute;

/**
 * Gives a calculation its public name, its purpose in one line, the field that decides how much work it is, whether it
 * may take up to twenty seconds instead of two (over HTTP it is then done by the queue), and what asks less of it.
 */
#[Attribute(Attribute::TARGET_CLASS)]
final readonly class Calc
{
    public function __construct(
        public string $name,
        public string $purpose,
        public string $size = '',
        public bool $long = false,
        public string $lighter = 'take a shorter time, a thicker body or usual properties',
    ) {
    }
}
