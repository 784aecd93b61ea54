<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BarInBathResult extends Result
{
    /**
     * @param  list<SkinTime>  $minutes_to_skin_mm
     * @param  list<BarSection>  $sections
     */
    public function __construct(
        #[Field('solid skin after the minutes', 'mm')] public readonly ?float $skin_mm_at,
        #[Field('', '°C')] public readonly ?float $core_c_at,
        #[Field('', '', of: SkinTime::class)] public readonly array $minutes_to_skin_mm,
        #[Field('core at demould: for stacking', 'min')] public readonly ?float $minutes_to_core,
        #[Field('at or under it the polymer is solid', '°C')] public readonly float $solid_c,
        #[Field(
            'its skin carries it: it may leave the mould; null when it never does alone',
            's',
        )]
        public readonly ?float $strip_s,
        #[Field('that does', 'mm')] public readonly ?float $strip_skin_mm,
        public readonly string $strip_because,
        #[Field('at most 40 moments', of: BarSection::class)] public readonly array $sections,
    ) {
    }
}
