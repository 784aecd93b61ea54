<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class PlatenBowInput
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 20000)] public float $length_mm,
        #[Field('', 'mm', min: 0.01, max: 2000)] public float $thickness_mm,
        #[Field('coefficient of linear expansion', '1/K', above: 0, max: 0.001)] public float $expansion_1_k,
        #[Field('between its two faces', 'K', min: -1000, max: 1000)] public float $face_difference_k,
    ) {
    }
}
