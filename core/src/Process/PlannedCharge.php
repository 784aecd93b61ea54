<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** What to weigh out or to load for one piece. */
final readonly class PlannedCharge
{
    public function __construct(
        #[Field('', 'g')] public float $mass_g,
        #[Field('this near is on target; null where nobody weighs it', 'g')] public ?float $tolerance_g,
        #[Field('the way of weighing')] public string $method,
    ) {
    }
}
