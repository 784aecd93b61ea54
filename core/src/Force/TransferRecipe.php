<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * Keeps shot volume, specific pressure, volumetric rate and screw surface speed: stroke, cushion, changeover and speed
 * go with (D_from/D_to)², hydraulic pressures with the intensifications, rpm with D_from/D_to. Nothing is clamped: a
 * limit of the other machine that is exceeded is a warning.
 */
#[Calc('force.transfer_recipe', 'a set-up from another machine, converted')]
final class TransferRecipe
{
    public function __invoke(TransferRecipeInput $in): TransferRecipeResult
    {
        $d = $in->from->screw_diameter_mm / $in->to->screw_diameter_mm;
        $i = $in->from->intensification / $in->to->intensification;
        $r = $in->recipe;
        $new = new ScrewRecipe(
            $r->stroke_mm * $d * $d,
            $r->hydraulic_bar * $i,
            $r->hold_hydraulic_bar * $i,
            $r->back_hydraulic_bar * $i,
            $r->speed_mm_s * $d * $d,
            $r->rpm * $d,
            $r->cushion_mm * $d * $d,
            $r->changeover_mm * $d * $d,
        );
        $bore = M_PI * $in->from->screw_diameter_mm ** 2 / 400;
        $specific = $r->hydraulic_bar * $in->from->intensification;
        $result = new TransferRecipeResult(
            $new,
            new Kept(
                $bore * $r->stroke_mm / 10,
                $specific,
                $bore * $r->speed_mm_s / 10,
                M_PI * $in->from->screw_diameter_mm * $r->rpm / 60,
            ),
        );
        $to = $in->to;
        foreach ([
            ['Stroke', $new->stroke_mm, $to->max_stroke_mm, 'mm'],
            ['Specific injection pressure', $specific, $to->max_specific_bar, 'bar'],
            ['Speed', $new->speed_mm_s, $to->max_speed_mm_s, 'mm/s'],
            ['Screw speed', $new->rpm, $to->max_rpm, '1/min'],
        ] as [$what, $value, $most, $unit]) {
            $result->warn(
                $value > $most * (1 + 1e-9)
                    ? sprintf('%s %.1f %s is over this machine\'s %.1f.', $what, $value, $unit, $most)
                    : null,
            );
        }

        return $result->explain(sprintf(
            'The same %.1f cm³ shot at %.0f bar in the melt.',
            $bore * $r->stroke_mm / 10,
            $specific,
        ));
    }
}
