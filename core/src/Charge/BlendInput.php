<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

final readonly class BlendInput
{
    /**
     * @param  list<BlendPart>  $components
     */
    public function __construct(
        #[Field('', 'g', above: 0, max: 1e9)] public float $total_mass_g,
        #[Field('step of the scale', 'g', above: 0, max: 1e6)] public float $scale_resolution_g,
        #[Field('what goes in', '', of: BlendPart::class, atLeast: 1, atMost: 100)] public array $components,
        #[Field(
            'steps of the scale that make a mass weighable',
            '',
            min: 1,
            max: 1000000,
        )]
        public int $min_divisions = 20,
        #[Field('of the library, for what regrind is usual in it')] public ?string $polymer = null,
    ) {
    }
}
