<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** One number of a plan: where it may lie, where it came from and why it is so. */
final readonly class PlannedSetting
{
    public function __construct(
        public string $name,
        #[Field('null when nothing says it', '')] public ?float $value,
        public string $unit,
        #[Field('of its window; null where it has none', '')] public ?float $low,
        #[Field('', '')] public ?float $target,
        #[Field('', '')] public ?float $high,
        #[Field('set here, a recipe, the product, the library, your rule, usual practice')] public string $origin,
        public string $because,
    ) {
    }
}
