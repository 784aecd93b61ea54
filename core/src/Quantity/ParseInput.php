<?php

declare(strict_types=1);

namespace Dithermic\Core\Quantity;

use Dithermic\Core\Calculator\Field;

final readonly class ParseInput
{
    public function __construct(
        #[Field('what was typed')] public string $text,
        public Dimension $dimension,
        #[Field('unit of a bare number')] public ?string $unit = null,
    ) {
    }
}
