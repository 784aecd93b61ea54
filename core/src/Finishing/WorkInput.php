<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Field;

final readonly class WorkInput
{
    /**
     * @param  list<Operation>  $operations
     * @param  list<PartHeld>  $parts
     */
    public function __construct(
        #[Field('that wait to be finished', '', min: 0, max: 1e6)] public int $pieces,
        #[Field('in their order', of: Operation::class, atLeast: 1, atMost: 30)] public array $operations,
        #[Field('that stand there; one that is not named is not there', of: PartHeld::class, atMost: 500)]
        public array $parts = [],
    ) {
    }
}
