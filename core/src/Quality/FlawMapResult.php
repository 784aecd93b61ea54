<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FlawMapResult extends Result
{
    /**
     * @param  list<FlawPlace>  $places
     */
    public function __construct(
        #[Field('two flaws nearer than this are in one place', 'mm')] public readonly float $radius_mm,
        #[Field('where more parts meet than chance would bring, most first', of: FlawPlace::class)]
        public readonly array $places,
        #[Field('parts that have a flaw')] public readonly int $pieces,
        #[Field('of them with one in a place')] public readonly int $pieces_in_places,
        #[Field('same place every part, random, or null where too few tell')] public readonly ?string $repeat,
        #[Field('corner, edge or centre, where most of those in places are; else null')] public readonly ?string $where,
    ) {
    }
}
