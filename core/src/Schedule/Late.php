<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** A job that ends after it is due. */
final readonly class Late
{
    /** @param  list<string>  $because */
    public function __construct(
        public string $job,
        #[Field('', 'min')] public float $minutes,
        #[Field('what holds it, from its end backwards', of: 'string')] public array $because,
    ) {
    }
}
