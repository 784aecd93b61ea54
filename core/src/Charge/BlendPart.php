<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class BlendPart
{
    public function __construct(
        #[Field('what it is')] public string $name,
        #[Field('share in any unit', '', above: 0, max: 1e9)] public float $parts,
        #[Field('', 'g/cm3', above: 0, max: 25)] public ?float $density_g_cm3 = null,
        #[Field('what it is there for')] public PartKind $kind = PartKind::Colour,
    ) {
    }
}
