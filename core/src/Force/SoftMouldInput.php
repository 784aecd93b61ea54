<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;

final readonly class SoftMouldInput
{
    public function __construct(
        #[Field('', 'bar', min: 0, max: 10000)] public float $injection_bar,
        #[Field('', 'bar', min: 0, max: 10000)] public float $hold_bar,
        #[Field('', 'kN', min: 0, max: 1e6)] public float $clamp_kn,
        #[Field('', '%', min: 0, max: 100)] public float $fill_speed_pct,
        #[Field('', 's', min: 0, max: 1e5)] public float $cooling_s,
        public SoftMould $mould,
    ) {
    }
}
