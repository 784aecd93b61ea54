<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class School
{
    public function __construct(
        #[Field('true_density, as_water or shop_rule')] public string $id,
        #[Field('one sheet to weigh out', 'g')] public float $charge_mass_g,
        #[Field('the thickness it would really give', 'mm')] public float $gives_thickness_mm,
    ) {
    }
}
