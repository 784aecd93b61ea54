<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;

final readonly class CooledWall
{
    public function __construct(
        #[Field('', 'mm')] public float $wall_mm,
        #[Field('', 's')] public float $release_s,
    ) {
    }
}
