<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

use Dithermic\Core\Calculator\Field;

/** A quarter of the bar at one moment, row by row from its middle; one row from the middle outward when it is round. */
final readonly class BarSection
{
    /** @param  list<list<float>>  $cells */
    public function __construct(
        #[Field('', 'min')] public float $minutes,
        #[Field('rows along the wider side, °C')] public array $cells,
    ) {
    }
}
