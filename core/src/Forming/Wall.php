<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Calc;

/**
 * Thickness along the wall of an axisymmetric female mould (Williams 1970; Throne): the free bubble is uniform, and
 * what touches the mould freezes there. It is a spherical cap tangent to the wall; once its pole meets the floor, a
 * fillet tangent to wall and floor; a shallow mould is met at the floor first, the skin hanging from the rim. Each
 * small advance lays down t·dA of the free skin, so volume is conserved. No friction, no cooling of the free skin, no
 * plug.
 */
#[Calc('forming.wall', 'wall thickness along a formed part')]
final class Wall
{
    private const ADVANCES = 4000;

    public function __invoke(WallInput $in): WallResult
    {
        $mould = new WallModel($in, $in->corner_radius_mm ?? $in->sheet_mm);
        $mould->form(self::ADVANCES);
        $walls = [];
        for ($i = 0; $i < $in->steps; $i++) {
            $depth = ($i + 0.5) * $in->depth_mm / $in->steps;
            $walls[] = new WallPoint($depth, $mould->wallAt($depth));
        }

        return (new WallResult($walls, $mould->thickness, $mould->tip ? 'tip' : 'corner', $mould->volumeErrorPct()))
            ->explain(sprintf(
                '%.2f mm of %.2f mm are left in the %s, the thinnest place.',
                $mould->thickness,
                $in->sheet_mm,
                $mould->tip ? 'tip' : 'corner',
            ))
            ->warn(
                $mould->thickness < 0.2 * $in->sheet_mm
                    ? 'Drawn very thin: a plug, a thicker sheet or a shallower part.'
                    : null,
            );
    }
}
