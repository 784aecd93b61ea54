<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;

final readonly class RuleVerdict
{
    public function __construct(
        public string $id,
        public string $label,
        #[Field('', 'min')] public float $heat_min,
        #[Field('', 'min')] public float $cool_min,
        #[Field('mid-plane', '°C')] public float $core_end_of_heat_c,
        #[Field('mid-plane', '°C')] public float $core_end_of_cool_c,
        #[Field('core cold, ok or long')] public string $verdict,
        public string $note,
    ) {
    }
}
