<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;

final readonly class SheetCurvePoint
{
    /** @param  list<float>|null  $profile_c */
    public function __construct(
        #[Field('', 's')] public float $time_s,
        #[Field('', '°C')] public float $hottest_c,
        #[Field('', '°C')] public float $mean_c,
        #[Field('', '°C')] public float $coldest_c,
        #[Field(
            'through the thickness, the heated face last; when asked for',
            '°C',
            of: 'number',
        )]
        public ?array $profile_c = null,
    ) {
    }
}
