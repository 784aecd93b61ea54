<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

/** What a person at the machine has looked at and said. */
final readonly class Answers
{
    public function __construct(
        #[Field('eyes, hands, arms and feet covered, everybody at the machine')] public bool $people_protected = false,
        #[Field('extraction on, or open air')] public bool $air_moving = false,
    ) {
    }
}
