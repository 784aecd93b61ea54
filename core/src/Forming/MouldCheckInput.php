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
        #[Field('', 'mm', min: 0.01, max: 50)] public ?float $vent_diameter_mm = null,
        #[Field('', 'mm', min: 0.01, max: 100)] public ?float $sheet_mm = null,
        #[Field('', 'mm', min: 0, max: 1000)] public ?float $corner_radius_mm = null,
        #[Field('', 'mm', min: 0, max: 1000)] public ?float $undercut_mm = null,
        #[Field('for the undercut')] public ?string $polymer = null,
        #[Field('for the undercut', 'mm', above: 0, max: 10000)] public ?float $half_width_mm = null,
        #[Field(
            'a ring that stretches over its whole width, or a clip at the edge that bends',
        )]
        public UndercutKind $undercut_kind = UndercutKind::Ring,
        #[Field(
            'of an edge clip; the sheet unless given',
            'mm',
            min: 0.01,
            max: 100,
        )]
        public ?float $clip_thickness_mm = null,
        #[Field(
            'of an edge clip, from its root to its hook',
            'mm',
            min: 0.1,
            max: 1000,
        )]
        public ?float $clip_depth_mm = null,
    ) {
    }

    /** Strain that taking it off asks of the undercut; null when what it hangs on is not given. */
    public function undercutStrain(): ?float
    {
        if ($this->undercut_mm === null) {
            return null;
        }
        if ($this->undercut_kind === UndercutKind::Ring) {
            return $this->half_width_mm === null ? null : $this->undercut_mm / $this->half_width_mm;
        }
        $thickness = $this->clip_thickness_mm ?? $this->sheet_mm;

        return $thickness === null || $this->clip_depth_mm === null
            ? null
            : 1.5 * $this->undercut_mm * $thickness / $this->clip_depth_mm ** 2;
    }
}
