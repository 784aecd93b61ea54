<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** What is wrong with the part. */
final readonly class SeenDefect
{
    public function __construct(
        #[Field('of a defect that this process knows')] public string $id,
        #[Field('on the part, in words')] public ?string $where = null,
        public Severity $severity = Severity::Scrap,
    ) {
    }
}
