<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SoftMouldResult extends Result
{
    /** @param  list<string>  $cautions */
    public function __construct(
        #[Field('', 'kN')] public readonly float $clamp_kn,
        #[Field('', 'bar')] public readonly float $injection_bar,
        #[Field('', 'bar')] public readonly float $hold_bar,
        #[Field('metal, insert or clamp')] public readonly string $limited_by,
        #[Field('', '', of: 'string')] public readonly array $cautions,
    ) {
    }
}
