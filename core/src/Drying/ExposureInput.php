<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;

final readonly class ExposureInput
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        #[Field('when it came out dry, ISO 8601')] public string $dried_at,
        public Hopper $hopper,
        #[Field('ISO 8601')] public string $now,
        #[Field('humidity of the room', '%', above: 0, max: 100)] public float $rh_pct = 50.0,
    ) {
    }
}
