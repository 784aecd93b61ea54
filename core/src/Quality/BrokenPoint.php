<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

final readonly class BrokenPoint
{
    /**
     * @param  list<string>  $rules
     */
    public function __construct(
        public int $index,
        public float $value,
        #[Field('beyond_3s, 2of3_2s, 4of5_1s, 8_side', '', of: 'string')] public array $rules,
    ) {
    }
}
