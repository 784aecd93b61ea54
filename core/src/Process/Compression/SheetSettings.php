<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;

/** The numbers that can be set for a pressed sheet; whoever says one says it here: product, recipe, person. */
final readonly class SheetSettings
{
    public function __construct(
        #[Field('of the finished sheet', 'mm')] public ?float $length_mm = null,
        #[Field('of the finished sheet', 'mm')] public ?float $width_mm = null,
        #[Field('of the finished sheet', 'mm')] public ?float $thickness_mm = null,
        #[Field('flash, residue and overfill together', '%')] public ?float $allowance_pct = null,
        #[Field('cut off each edge', 'mm')] public ?float $trim_mm = null,
        #[Field('of the frame', 'mm')] public ?float $frame_depth_mm = null,
        #[Field('set-point of the hot platens', '°C')] public ?float $platen_c = null,
        #[Field('of the charge as it goes in', '°C')] public ?float $initial_c = null,
        #[Field('kept on after the middle is hot', 'min')] public ?float $soak_min = null,
        #[Field('what this press takes over the physics, heating', '')] public ?float $heat_factor = null,
        #[Field('what this press takes over the physics, cooling', '')] public ?float $cool_factor = null,
        #[Field('the shop\'s own charge for each millimetre', 'kg/mm')] public ?float $shop_kg_per_mm = null,
        #[Field('thickest place less thinnest, at most', 'mm')] public ?float $thickness_tolerance_mm = null,
        #[Field('between two pumpings', 'min')] public ?float $pump_every_min = null,
        #[Field('of the loose charge', 'g/cm3')] public ?float $bulk_density_g_cm3 = null,
        #[Field('of this run, one after another', '', min: 1, max: 200)] public ?float $sheets = null,
    ) {
    }
}
