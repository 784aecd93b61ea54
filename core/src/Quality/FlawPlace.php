<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

/** A place where flaws of several parts lie. */
final readonly class FlawPlace
{
    /** @param  list<int>  $pieces */
    public function __construct(
        #[Field('its middle', 'mm')] public float $x_mm,
        #[Field('', 'mm')] public float $y_mm,
        #[Field('parts that have one there, by number', of: 'int')] public array $pieces,
        #[Field('how likely so many would meet anywhere by chance, at most', '')] public float $by_chance,
        #[Field('corner, edge, centre, or null where it is none of them')] public ?string $where,
    ) {
    }
}
