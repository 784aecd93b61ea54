<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class VacuumSheetResult extends Result
{
    /**
     * @param  list<SheetCurvePoint>  $curve
     */
    public function __construct(
        #[Field('', 's')] public readonly ?float $ready_s,
        #[Field('', 's')] public readonly ?float $limit_s,
        #[Field('limit less ready', 's')] public readonly ?float $window_s,
        #[Field('', 'K')] public readonly ?float $spread_at_ready_k,
        #[Field('after the heater leaves', 's')] public readonly ?float $form_within_s,
        #[Field('coldest it still forms', '°C')] public readonly float $sheet_lower_c,
        #[Field('mean when ready', '°C')] public readonly float $sheet_normal_c,
        #[Field('hottest it may get', '°C')] public readonly float $sheet_upper_c,
        #[Field('hottest point when ready', '°C')] public readonly ?float $hottest_at_ready_c,
        #[Field('', '', of: SheetCurvePoint::class)] public readonly array $curve,
    ) {
    }
}
