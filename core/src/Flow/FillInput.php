<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Material\MaterialInput;

final readonly class FillInput
{
    /** @param  list<Way>  $path */
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Flatten] public MeltInput $melt,
        #[Field('', '°C', min: -50, max: 600)] public float $melt_c,
        #[Field('', 'cm3/s', min: 1e-6, max: 1e6)] public float $flow_cm3_s,
        #[Field('', '°C', min: -50, max: 500)] public float $mould_c,
        #[Field(
            'the way of the melt, one piece after the other',
            of: Way::class,
            atLeast: 1,
            atMost: 50,
        )]
        public array $path,
        #[Field('what the machine can give', 'bar', above: 0, max: 10000)] public ?float $available_bar = null,
    ) {
    }
}
