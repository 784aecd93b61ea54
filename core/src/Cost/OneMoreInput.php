<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;

/** One more machine, mould or pair of hands, and what it gives on a day. Prices in one currency, whichever it is. */
final readonly class OneMoreInput
{
    public function __construct(
        #[Field('that a worked day is over sooner', 'min', min: 0, max: 1440)] public float $sooner_min,
        #[Field('days in a year on which the shop works', '', min: 1, max: 366)] public int $days_year = 230,
        #[Field('bought, set up and running', '', min: 0, max: 1e9)] public float $price = 0.0,
        #[Field('until it is worth nothing', 'years', above: 0, max: 100)] public float $life_years = 10.0,
        #[Field('of the price, each year, to keep it going', '%', min: 0, max: 100)] public float $upkeep_pct = 3.0,
        #[Field('for each worked day: wages, rent', '', min: 0, max: 1e7)] public float $price_day = 0.0,
    ) {
    }
}
