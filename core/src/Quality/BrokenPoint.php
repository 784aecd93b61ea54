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

    /** A rule in words. */
    public static function says(string $rule): string
    {
        return match ($rule) {
            'beyond_3s' => 'further out than chance goes',
            '2of3_2s' => 'two of three far out on one side',
            '4of5_1s' => 'four of five out on one side',
            default => 'eight in a row on one side',
        };
    }
}
