<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class StripFeedResult extends Result
{
    /** @param  list<StripAge>  $ages */
    public function __construct(
        #[Field('in its middle as it goes in', '°C')] public readonly float $core_c,
        #[Field('on its face', '°C')] public readonly float $face_c,
        #[Field('one that is as hot throughout and holds as much heat', '°C')] public readonly float $mean_c,
        #[Field('of one shot; null without its mass', 'mm')] public readonly ?float $length_mm,
        #[Field('of a full barrel, fed so', 'min')] public readonly float $soak_min,
        #[Field('fed with the same strips cold', 'min')] public readonly float $soak_cold_min,
        #[Field('', 'min')] public readonly float $gain_min,
        #[Field('a tenth of the cold soak, or more')] public readonly bool $gains,
        #[Field('from the cut, that it gains something; null where it never does', 's')]
        public readonly ?float $keeps_s,
        #[Field('until it gains nothing more', of: StripAge::class)] public readonly array $ages,
    ) {
    }
}
