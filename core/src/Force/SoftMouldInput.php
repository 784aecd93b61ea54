<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class SoftMouldInput
{
    public function __construct(
        public SoftInsert $insert,
        #[Field('shadow of parts and runners', 'cm2', above: 0, max: 1e6)] public float $projected_area_cm2,
        #[Field('of the metal set-up', 'bar', above: 0, max: 10000)] public float $injection_bar,
        #[Field('of the metal set-up', 'bar', min: 0, max: 10000)] public float $hold_bar,
        #[Field('of the metal set-up', 'kN', above: 0, max: 1e6)] public float $clamp_kn,
        #[Field('times stronger than it must be', '', min: 1, max: 10)] public float $safety = 1.5,
    ) {
    }
}
