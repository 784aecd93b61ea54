<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** What would tell most: a question that a hand can answer, or something to read. */
final readonly class NextQuestion
{
    /** @param  list<string>  $choices */
    public function __construct(
        #[Field('"cause.k" of a question, or the name of a signal')] public string $id,
        #[Field('ask or read')] public string $kind,
        public string $text,
        #[Field('that it can have; empty for a number', of: 'string')] public array $choices,
        #[Field('that it is expected to take off the doubt', 'bit')] public float $bits,
    ) {
    }
}
