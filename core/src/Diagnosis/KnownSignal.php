<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** A signal that nobody has to be asked for, and where it is known from. */
final readonly class KnownSignal
{
    public function __construct(
        #[Field('as defects.json names it')] public string $signal,
        #[Field] public float|bool|string $value,
        #[Field('in words')] public string $from,
    ) {
    }
}
