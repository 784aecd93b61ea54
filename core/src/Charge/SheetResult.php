<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SheetResult extends Result
{
    public function __construct(
        #[Field('one finished sheet', 'g')] public readonly float $net_mass_g,
        #[Field('one sheet to weigh out', 'g')] public readonly float $charge_mass_g,
        #[Field('all sheets to weigh out', 'g')] public readonly float $batch_mass_g,
        #[Field('charge for each millimetre of thickness', 'g/mm')] public readonly float $mass_per_mm_g,
        #[Field(
            'height of the loose charge; null without a bulk density',
            'mm',
        )]
        public readonly ?float $loose_height_mm,
        #[Field('loose height within the frame; null without either')] public readonly ?bool $fits_frame,
    ) {
    }
}
