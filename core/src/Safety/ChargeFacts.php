<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

/** What the run wants to take, and the size of what it makes. */
final readonly class ChargeFacts
{
    public function __construct(
        #[Field('what the plan asks for', 'g', above: 0, max: 1e8)] public ?float $needed_g = null,
        #[Field('and how near it must be', 'g', min: 0, max: 1e8)] public ?float $tolerance_g = null,
        #[Field('what was weighed, when it was', 'g', min: 0, max: 1e8)] public ?float $weighed_g = null,
        #[Field(
            'of the sheet or blank, its edges included',
            'mm',
            above: 0,
            max: 100000,
        )]
        public ?float $length_mm = null,
        #[Field('', 'mm', above: 0, max: 100000)] public ?float $width_mm = null,
    ) {
    }
}
