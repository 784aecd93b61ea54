<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class ClampInput
{
    public function __construct(
        #[Field('shadow of parts and runners', 'cm2', above: 0, max: 1e6)] public float $projected_area_cm2,
        #[Field('', 'bar', above: 0, max: 5000)] public float $cavity_pressure_bar,
        #[Field('', '', min: 1, max: 10)] public float $safety = 1.2,
        #[Field('', '', min: 1, max: 1000)] public ?int $bolts = null,
        #[Field('proof load of one bolt', 'kN', above: 0, max: 1e5)] public ?float $bolt_proof_kn = null,
    ) {
    }
}
