<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class TwoStageResult extends Result
{
    /** @param  list<PressurePoint>  $curve */
    public function __construct(
        #[Field('', 'kPa')] public readonly float $after_first_kpa,
        #[Field('', 'kPa')] public readonly float $after_tank_kpa,
        #[Field('against the atmosphere', 'kPa')] public readonly float $pull_kpa,
        #[Field('', 'kPa')] public readonly float $after_tank_without_first_kpa,
        #[Field('for the target', 'l')] public readonly ?float $tank_l_needed,
        #[Field('on the sheet', 'N/cm2')] public readonly float $force_n_per_cm2,
        #[Field('the tank is opened; null without flows', 's')] public readonly ?float $tank_opens_s,
        #[Field(
            'null without flows or target, or when it is never reached',
            's',
        )]
        public readonly ?float $seconds_to_target,
        #[Field('the target comes before the sheet is too cold; null unless asked')] public readonly ?bool $in_time,
        #[Field('under the sheet, when the flows are given', of: PressurePoint::class)] public readonly array $curve,
    ) {
    }
}
