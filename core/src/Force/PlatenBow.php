<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * A plate with a linear temperature difference through its thickness bows to a circle: bow = α·ΔT·L²/(8·h)
 * (Timoshenko). For a free plate much longer than thick.
 */
#[Calc('force.platen_bow', 'how much a platen bows when its faces differ in temperature')]
final class PlatenBow
{
    public function __invoke(PlatenBowInput $in): PlatenBowResult
    {
        $bow = $in->expansion_1_k * $in->face_difference_k * $in->length_mm ** 2 / (8 * $in->thickness_mm);

        return (new PlatenBowResult($bow))->explain(sprintf(
            '%.2f mm over %.0f mm: twice as thick a platen bows half as much.',
            $bow,
            $in->length_mm,
        ))
            ->warn(
                $in->length_mm < 5 * $in->thickness_mm
                    ? 'The platen is thick for its length: the formula is for slender plates.'
                    : null,
            );
    }
}
