<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Field;

/** A profile drawn free from its die. */
final readonly class FreeProfile
{
    public function __construct(
        #[Field('that makes its section of what the extruder gives', 'm/min')] public float $haul_m_min,
        #[Field('section of the die over that of the profile', '')] public float $draw_down,
        #[Field('of trough until its skin carries it; null where that never does alone', 'm')] public ?float $carries_m,
        #[Field('of trough until its core is cold', 'm')] public ?float $through_m,
    ) {
    }
}
