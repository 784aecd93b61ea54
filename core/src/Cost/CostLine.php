<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;

final readonly class CostLine
{
    public function __construct(
        #[Field('material, energy, hands or mould')] public string $id,
        #[Field('of the run', '')] public float $total,
        #[Field('', '')] public float $per_good_part,
    ) {
    }
}
