<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Field;

/** A mould wears by shots, good or not. */
final readonly class MouldCost
{
    public function __construct(
        #[Field('', '', min: 0, max: 1e9)] public float $price,
        #[Field('shots until it is done', '', min: 1, max: 1e9)] public int $life_shots,
        #[Field('parts in a shot', '', min: 1, max: 10000)] public int $cavities = 1,
    ) {
    }
}
