<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** One thing that is known and speaks for or against a cause. */
final readonly class EvidenceLine
{
    public function __construct(
        #[Field('the signal or the question')] public string $of,
        #[Field('in words')] public string $says,
        #[Field('over 1 speaks for it', '')] public float $ratio,
    ) {
    }
}
