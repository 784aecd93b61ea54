<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\Field;

final readonly class Box
{
    public function __construct(
        #[Field('', 'mm')] public float $x,
        #[Field('', 'mm')] public float $y,
        #[Field('', 'mm')] public float $z,
    ) {
    }
}
