<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SoftMouldResult extends Result
{
    /**
     * @param  list<string>  $cautions
     */
    public function __construct(
        #[Field('', 'bar')] public readonly float $injection_bar,
        #[Field('', 'bar')] public readonly float $hold_bar,
        #[Field('', 'kN')] public readonly float $clamp_kn,
        #[Field('', '%')] public readonly float $fill_speed_pct,
        #[Field('', 's')] public readonly float $cooling_s,
        #[Field('', '', of: 'string')] public readonly array $cautions,
    ) {
    }
}
