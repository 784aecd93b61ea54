<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class MouldContactResult extends Result
{
    public function __construct(
        #[Field('', 's')] public readonly ?float $cooling_s_first,
        #[Field('last cycle', 's')] public readonly ?float $cooling_s_steady,
        #[Field('as the last part goes in', '°C')] public readonly ?float $mould_face_c_steady,
        public readonly ?float $factor_vs_aluminium,
    ) {
    }
}
