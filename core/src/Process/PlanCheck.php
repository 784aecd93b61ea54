<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** Whether this machine can do what is planned, with what it needs and what there is. */
final readonly class PlanCheck
{
    public function __construct(
        public string $id,
        public CheckState $state,
        public string $says,
        #[Field('in the unit of what it says', '')] public ?float $needs = null,
        #[Field('in the unit of what it says', '')] public ?float $has = null,
    ) {
    }
}
