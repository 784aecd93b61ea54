<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;

final readonly class MaterialCost
{
    public function __construct(
        #[Field('', 'g', min: 0, max: 1e12)] public float $mass_g,
        #[Field('for each kilogram', '', min: 0, max: 1e6)] public float $price_kg,
    ) {
    }
}
