<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class MouldFacts
{
    public function __construct(
        #[Field('shadow of parts and runners', 'cm2', above: 0, max: 1e6)] public ?float $projected_area_cm2 = null,
        #[Field('pressure in the cavity', 'bar', above: 0, max: 5000)] public ?float $cavity_bar = null,
    ) {
    }
}
