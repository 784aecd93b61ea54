<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Material\Polymer;

/** How much of a charge was melted before, against what the library calls usual. */
final readonly class Regrind
{
    /** What to say of a share of regrind, per cent of the mass; null while it is usual or nothing is known. */
    public static function caution(Polymer $polymer, float $sharePct): ?string
    {
        $most = $polymer->mostRegrindPct();

        return $most === null || $sharePct <= $most ? null : trim(sprintf(
            'Regrind is %.0f %% of it; the usual most for %s is %.0f %%. %s',
            $sharePct,
            $polymer->code,
            $most,
            $polymer->regrindNote() ?? '',
        ));
    }
}
