<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;

final readonly class Leg
{
    public function __construct(
        public string $from,
        public string $to,
        #[Field('', 'min')] public float $minutes,
        #[Field('', 'min')] public float $purge_min,
        #[Field('', 'min')] public float $temperature_min,
        #[Field('', 'min')] public float $mould_min,
        public ?string $stop,
    ) {
    }
}
