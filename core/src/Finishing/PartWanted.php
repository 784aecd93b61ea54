<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Field;

/** What the pieces take of a part. */
final readonly class PartWanted
{
    public function __construct(
        public string $part,
        #[Field('for each piece')] public int $each,
        #[Field('for all of them')] public int $wanted,
        public int $held,
        #[Field('0 where there are enough')] public int $missing,
        #[Field('to order now, with what these pieces take gone; 0 where nobody watches it')] public int $order,
    ) {
    }
}
