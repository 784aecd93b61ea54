<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Field;

/** Two results that hardly ever come together on one item. */
final readonly class Conflict
{
    /** @param  list<string>  $tests */
    public function __construct(
        #[Field('the two', '', of: 'string')] public array $tests,
        public string $because,
        #[Field('times more often if they had nothing to do with each other')] public float $rarer_by,
    ) {
    }
}
