<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Force\ScrewRecipe;

/** A screw machine's own numbers, as its controller shows them while it makes good parts. */
final readonly class ScrewSetUp
{
    public function __construct(
        #[Field('the screw goes forward', 'mm', above: 0, max: 10000)] public float $stroke_mm,
        #[Field('injection, as the controller has it', 'bar', min: 0, max: 10000)] public float $hydraulic_bar,
        #[Field('hold, as the controller has it', 'bar', min: 0, max: 10000)] public float $hold_hydraulic_bar,
        #[Field('injection', 'mm/s', above: 0, max: 10000)] public float $speed_mm_s,
        #[Field('of the screw', '1/min', above: 0, max: 100000)] public float $rpm,
        #[Field('back pressure, as the controller has it', 'bar', min: 0, max: 10000)] public float $back_hydraulic_bar = 0.0,
        #[Field('left in front of the screw', 'mm', min: 0, max: 10000)] public float $cushion_mm = 0.0,
        #[Field('from injection to hold', 'mm', min: 0, max: 10000)] public float $changeover_mm = 0.0,
        #[Field('', 'kN', above: 0, max: 1e6)] public ?float $clamp_kn = null,
    ) {
    }

    /** What another machine is given of it. */
    public function recipe(): ScrewRecipe
    {
        return new ScrewRecipe(
            $this->stroke_mm,
            $this->hydraulic_bar,
            $this->hold_hydraulic_bar,
            $this->back_hydraulic_bar,
            $this->speed_mm_s,
            $this->rpm,
            $this->cushion_mm,
            $this->changeover_mm,
        );
    }
}
