<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class WorkResult extends Result
{
    /** @param  list<PartWanted>  $parts */
    public function __construct(
        #[Field('of one piece, from the first operation to the end of the last', 'min')]
        public readonly float $piece_min,
        #[Field('of hands, for one piece', 'min')] public readonly float $hands_min,
        #[Field('of hands, for all of them', 'min')] public readonly float $all_hands_min,
        #[Field('at once, at most')] public readonly int $people,
        #[Field('that can be finished with what is there')] public readonly int $can_finish,
        #[Field('by name', of: PartWanted::class)] public readonly array $parts,
    ) {
    }
}
