<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;

final readonly class SetPoint
{
    public function __construct(
        public string $setting,
        public string $unit,
        #[Field('least that works')] public float $low,
        #[Field('set this')] public float $target,
        #[Field('most that works')] public float $high,
        public Origin $origin,
        public string $because,
    ) {
    }
}
