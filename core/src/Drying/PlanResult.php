<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PlanResult extends Result
{
    public function __construct(
        #[Field('as the library says')] public readonly string $needed,
        #[Field('null when it does not get dry this way', 'h')] public readonly ?float $hours,
        #[Field('ISO 8601; null when it does not get dry this way')] public readonly ?string $ready_at,
        #[Field('for wanted_at, ISO 8601')] public readonly ?string $start_by,
        #[Field('', '°C')] public readonly ?float $air_c,
        public readonly ?string $dryer,
        public readonly string $because,
        #[Field('library, or your rule')] public readonly string $origin,
    ) {
    }
}
