<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * First settings for a brittle mould from those of a metal one. Shop practice, not physics: one table of coefficients.
 */
#[Calc('force.soft_mould', 'first settings for a printed or resin mould')]
final class SoftMouldSettings
{
    public function __invoke(SoftMouldInput $in): SoftMouldResult
    {
        [$injection, $hold, $clamp, $speed, $cooling] = self::TABLE[$in->mould->value];
        $soft = $in->mould === SoftMould::PrintedResin;

        return (new SoftMouldResult($in->injection_bar * $injection, $in->hold_bar * $hold, $in->clamp_kn * $clamp, $in->fill_speed_pct * $speed, $in->cooling_s * $cooling, $soft
            ? ['A rubber pad behind the insert.', 'Bolts snug by hand, evenly.', 'Go up in small steps and look at the mould after each shot; count its shots.', 'Stand clear: a cracked insert lets melt out.'] : []))
            ->explain($soft ? 'Far gentler than a metal mould, and several times the cooling.' : 'A metal mould takes the settings as they are.');
    }

    /** mould => injection, hold, clamp, speed, cooling */
    private const TABLE = [
        'printed_resin' => [1 / 4, 1 / 6, 1 / 10, 1 / 10, 4.0],
        'aluminium' => [1.0, 1.0, 1.0, 1.0, 1.0],
        'steel' => [1.0, 1.0, 1.0, 1.0, 1.0],
    ];
}
