<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** A stretch of a number that tells the same of every cause, for whoever cannot read it nearer. */
final readonly class Band
{
    public function __construct(
        #[Field('in words')] public string $says,
        #[Field('one number in it', '')] public float $value,
    ) {
    }
}
