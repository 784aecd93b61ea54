<?php

declare(strict_types=1);

namespace Dithermic\Core\Cycle;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class CapacityResult extends Result
{
    /**
     * @param  array<string, float>  $utilisation
     * @param  list<WhatIf>  $whatif
     */
    public function __construct(
        #[Field('from piece to piece', 's')] public readonly float $cycle_s,
        public readonly string $bottleneck,
        #[Field('one piece from first to last step', 's')] public readonly float $path_s,
        public readonly int $per_shift,
        #[Field('', 'h')] public readonly ?float $hours_for_wanted,
        #[Field('by resource', of: 'shares')] public readonly array $utilisation,
        #[Field('', '', of: WhatIf::class)] public readonly array $whatif,
    ) {
    }
}
