<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class RecommendResult extends Result
{
    /**
     * @param  list<SetPoint>  $settings
     * @param  list<Zone>  $zone_profile
     * @param  list<Timer>  $timers
     * @param  list<string>  $cautions
     */
    public function __construct(
        #[Field('', of: SetPoint::class)] public readonly array $settings,
        #[Field(
            'from feed to nozzle or die; empty without a barrel',
            of: Zone::class,
        )]
        public readonly array $zone_profile,
        #[Field('', of: Timer::class)] public readonly array $timers,
        #[Field('', of: 'string')] public readonly array $cautions,
        #[Field(
            'where the heater given overheats the sheet: the hottest that does not',
            '°C',
        )]
        public readonly ?float $hottest_heater_c = null,
    ) {
    }
}
