<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;

/** What to weigh out for one sheet. */
final readonly class PlannedCharge
{
    public function __construct(
        #[Field('', 'g')] public float $mass_g,
        #[Field('this near is on target', 'g')] public float $tolerance_g,
        public ChargeMethod $method,
    ) {
    }
}
