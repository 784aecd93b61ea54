<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

use Dithermic\Core\Calculator\Field;

final readonly class SkinTime
{
    public function __construct(
        #[Field('', 'mm')] public float $skin_mm,
        #[Field('null when not within two days', 'min')] public ?float $minutes,
    ) {
    }
}
