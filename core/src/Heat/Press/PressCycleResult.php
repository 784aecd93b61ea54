<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PressCycleResult extends Result
{
    /** @param  list<CurvePoint>  $curve */
    public function __construct(
        #[Field('from sliding in until the middle is hot enough', 'min')] public readonly float $heat_min,
        #[Field('heat_min times the shop\'s factor', 'min')] public readonly float $heat_min_calibrated,
        #[Field('', 'min')] public readonly float $soak_min,
        #[Field('until the hottest point may be taken out', 'min')] public readonly float $cool_min,
        #[Field('mid-plane after minutes_given', '°C')] public readonly ?float $core_at_given_c,
        #[Field('hottest the polymer\'s face gets', '°C')] public readonly float $surface_max_c,
        #[Field(
            'the last layer has closed; null if not by the end of the soak',
            'min',
        )]
        public readonly ?float $consolidated_min,
        #[Field(
            'into polymer and both plates over heat and soak, for each m2 of sheet',
            'kJ/m2',
        )]
        public readonly float $energy_kj,
        #[Field('lowest temperature of the hot platen; null when ideal', '°C')] public readonly ?float $platen_min_c,
        #[Field(
            'cold platen when the sheet comes out; null when ideal',
            '°C',
        )]
        public readonly ?float $cold_platen_end_c,
        #[Field('minutes at full heater power; null when ideal', 'min')] public readonly ?float $full_power_min,
        #[Field('the middle must reach', '°C')] public readonly float $core_target_c,
        #[Field('taken out at', '°C')] public readonly float $demould_c,
        #[Field('heat let in less enthalpy gained, of the larger', '%')] public readonly float $energy_error_pct,
        #[Field('hot and cold together, at most 200 points', of: CurvePoint::class)] public readonly array $curve,
    ) {
    }
}
