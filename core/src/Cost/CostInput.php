<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;

/** What a run took, all of it: of good parts and scrapped ones together. Prices in one currency, whichever it is. */
final readonly class CostInput
{
    /**
     * @param  list<MaterialCost>  $material
     * @param  list<HandsCost>  $hands
     */
    public function __construct(
        #[Field('parts that were good', '', min: 1, max: 1e9)] public int $good,
        #[Field('parts that were not', '', min: 0, max: 1e9)] public int $scrapped = 0,
        #[Field(
            'what went in, less what came back as regrind',
            of: MaterialCost::class,
            atMost: 50,
        )]
        public array $material = [],
        #[Field('', 'kWh', min: 0, max: 1e9)] public float $energy_kwh = 0.0,
        #[Field('for each kilowatt-hour', '', min: 0, max: 1e6)] public float $price_kwh = 0.0,
        #[Field('whose time it took', of: HandsCost::class, atMost: 50)] public array $hands = [],
        public ?MouldCost $mould = null,
    ) {
    }
}
