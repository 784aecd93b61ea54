<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ProfileResult extends Result
{
    public function __construct(
        #[Field('', 'mm2')] public readonly float $section_area_mm2,
        #[Field('', 'g')] public readonly float $part_mass_g,
        #[Field('with overflow and purge', 'g')] public readonly float $charge_mass_g,
        #[Field('null without a throughput', 's')] public readonly ?float $fill_time_s,
        #[Field('', 'g/m')] public readonly float $mass_per_m_g,
    ) {
    }
}
