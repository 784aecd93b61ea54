<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

/** What a mould has to make: as much as is asked to say whether it can run in a machine. */
final readonly class PartFacts
{
    public function __construct(
        #[Field('of one part', 'cm3', above: 0, max: 1e6)] public ?float $volume_cm3 = null,
        #[Field('the thickest wall', 'mm', above: 0, max: 100)] public ?float $thickness_mm = null,
        #[Field('along the way that the mould opens', 'mm', above: 0, max: 5000)] public ?float $depth_mm = null,
        #[Field('to fill the mould', 's', above: 0, max: 120)] public float $fill_s = 2.0,
        #[Field('set-point of the melt; the usual one unless given', '°C', min: 0, max: 500)]
        public ?float $melt_c = null,
        #[Field('of the mould; the usual one unless given', '°C', min: -20, max: 250)] public ?float $mould_c = null,
    ) {
    }
}
