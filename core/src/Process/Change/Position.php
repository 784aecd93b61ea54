<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

use Dithermic\Core\Calculator\Field;

/** A position that is set once for a mould. */
final readonly class Position
{
    public function __construct(
        public string $name,
        #[Field('', 'mm')] public float $mm,
        #[Field('how it comes about')] public string $because,
        #[Field('the machine can go there')] public bool $reached = true,
    ) {
    }
}
