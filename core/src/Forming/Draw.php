<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;

/**
 * Areal draw ratio = formed surface / footprint, or (surface + opening − footprint)/opening with the clamped opening;
 * mean wall = sheet / ADR by conservation of volume. Dimensions at the plane of the sheet; the far end is part of the
 * surface.
 */
#[Calc('forming.draw', 'how far a sheet is drawn')]
final class Draw
{
    public function __invoke(DrawInput $in): DrawResult
    {
        $h = $in->height_mm;
        $run = $h * tan(deg2rad($in->draft_deg));
        $slant = hypot($h, $run);
        if ($in->shape === Shape::Box) {
            [$l, $w] = [(float) $in->length_mm, (float) $in->width_mm];
            $footprint = $l * $w;
            $surface = 2 * $slant * ($l + $w - 2 * $run) + max(0.0, $l - 2 * $run) * max(0.0, $w - 2 * $run);
            $narrow = min($l, $w);
        } else {
            $narrow = (float) $in->base_diameter_mm;
            $r = $narrow / 2;
            $footprint = M_PI * $r * $r;
            $end = max(0.0, $r - $run);
            $surface = $in->shape === Shape::Dome
                ? M_PI * ($r * $r + $h * $h)
                : M_PI * ($r + $end) * $slant + M_PI * $end * $end;
        }
        $opening = $in->opening === null ? $footprint : $in->opening->length_mm * $in->opening->width_mm;
        if ($opening < $footprint * (1 - 1e-9)) {
            throw new InputError('opening', 'is smaller than the form');
        }
        $ratio = ($surface + $opening - $footprint) / $opening;

        return (new DrawResult($footprint / 100, $surface / 100, $ratio, $in->sheet_mm / $ratio, $h / $narrow))
            ->explain(sprintf(
                'Drawn %.1f times over: %.2f mm of %.2f mm are left on average, corners thinner.',
                $ratio,
                $in->sheet_mm / $ratio,
                $in->sheet_mm,
            ));
    }
}
