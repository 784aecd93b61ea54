<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

/** What a person at the machine has looked at and said. Each is asked only where the process has it. */
final readonly class Answers
{
    public function __construct(
        #[Field('eyes, hands, arms and feet covered, everybody at the machine')] public bool $people_protected = false,
        #[Field('extraction on, or open air')] public bool $air_moving = false,
        #[Field('guard shut')] public bool $guard_closed = false,
        #[Field('nozzle seated, mould or bucket tight against it')] public bool $nozzle_seated = false,
        #[Field('no pressure left from before')] public bool $pressure_relieved = false,
        #[Field('people at the machine', '', min: 1, max: 50)] public int $people = 1,
        #[Field('lifting gear for what is heavy')] public bool $lifting_gear = false,
        #[Field('nobody else in the shop')] public bool $alone = false,
        #[Field('left hot with nobody by')] public bool $unattended = false,
    ) {
    }
}
