<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Field;

final readonly class NextTest
{
    public function __construct(
        public string $test,
        public string $because,
        #[Field('what it may be expected to tell', 'bit')] public float $expected_information_bits,
    ) {
    }
}
