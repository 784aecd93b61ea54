<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class WindowResult extends Result
{
    /** @param  list<WindowSquare>  $drawn */
    public function __construct(
        #[Field('runs used')] public readonly int $runs,
        public readonly int $good,
        public readonly int $bad,
        #[Field('share of good pieces, whatever the settings')] public readonly float $base_rate,
        #[Field('mean square error of what is said of a run by the others; null under eight runs')]
        public readonly ?float $brier,
        #[Field('the same by the base rate alone')] public readonly ?float $base_brier,
        #[Field('whether the settings tell more than the base rate does')] public readonly bool $tells,
        #[Field('low edge of the picture')] public readonly float $x_low,
        #[Field('high edge of the picture')] public readonly float $x_high,
        #[Field('low edge of the picture')] public readonly float $y_low,
        #[Field('high edge of the picture')] public readonly float $y_high,
        #[Field('its squares near to what was run; none under eight runs', '', of: WindowSquare::class)]
        public readonly array $drawn,
        #[Field('where it is planned; null where that is not said, or nothing was run near')]
        public readonly ?WindowPoint $planned,
    ) {
    }
}
