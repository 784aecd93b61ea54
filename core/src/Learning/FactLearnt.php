<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** A fact of a machine as its readings say. */
final readonly class FactLearnt
{
    public function __construct(
        #[Field('as the machine\'s facts name it')] public string $name,
        #[Field('as it is known now; null where it is not')] public ?float $was,
        #[Field('as the readings say')] public float $value,
        #[Field('5 % of it')] public float $low,
        #[Field('95 % of it')] public float $high,
    ) {
    }
}
