<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PumpDownResult extends Result
{
    /** @param  list<PressurePoint>  $curve */
    public function __construct(
        #[Field('', 's')] public readonly float $seconds,
        #[Field('before the sheet is too cold; null unless asked')] public readonly ?bool $in_time,
        #[Field('', '', of: PressurePoint::class)] public readonly array $curve,
    ) {
    }
}
