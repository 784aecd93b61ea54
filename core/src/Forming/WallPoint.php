<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;

final readonly class WallPoint
{
    public function __construct(
        #[Field('', 'mm')] public float $depth_mm,
        #[Field('', 'mm')] public float $wall_mm,
    ) {
    }
}
