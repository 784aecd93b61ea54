<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class LeakResult extends Result
{
    public function __construct(
        #[Field('', 'mbar·l/s')] public readonly float $leak_mbar_l_s,
        #[Field('of the remaining vacuum; null when nothing leaked', 's')] public readonly ?float $half_life_s,
        #[Field('tight, usable or leaky')] public readonly string $verdict,
    ) {
    }
}
