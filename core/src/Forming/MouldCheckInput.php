<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;

final readonly class MouldCheckInput
{
    public function __construct(
        #[Field('', '°', min: 0, max: 90)] public ?float $draft_deg = null,
        #[Field('the sheet is drawn over it')] public bool $male = true,
        #[Field('', 'mm', min: 0, max: 10)] public float $texture_depth_mm = 0.0,
        public ?bool $has_cavities = null,
        #[Field('', 'mm', above: 0, max: 50)] public ?float $vent_diameter_mm = null,
        #[Field('', 'mm', above: 0, max: 100)] public ?float $sheet_mm = null,
        #[Field('', 'mm', min: 0, max: 1000)] public ?float $corner_radius_mm = null,
        #[Field('', 'mm', min: 0, max: 1000)] public ?float $undercut_mm = null,
        #[Field('for the undercut')] public ?string $polymer = null,
        #[Field('for the undercut', 'mm', above: 0, max: 10000)] public ?float $half_width_mm = null,
    ) {
    }
}
