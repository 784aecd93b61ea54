<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BarInBathResult extends Result
{
    /**
     * @param  list<SkinTime>  $minutes_to_skin_mm
     */
    public function __construct(
        #[Field('solid skin after the minutes', 'mm')] public readonly ?float $skin_mm_at,
        #[Field('', '°C')] public readonly ?float $core_c_at,
        #[Field('', '', of: SkinTime::class)] public readonly array $minutes_to_skin_mm,
        #[Field('core at demould', 'min')] public readonly ?float $minutes_to_core,
    ) {
    }
}
