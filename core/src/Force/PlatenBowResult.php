<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PlatenBowResult extends Result
{
    public function __construct(
        #[Field('middle against the ends', 'mm')] public readonly float $bow_mm,
    ) {
    }
}
