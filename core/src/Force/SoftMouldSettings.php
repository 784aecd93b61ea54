<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * First settings for a printed or resin mould from those of a metal one: the insert's own strength decides. Its lands
 * carry the clamp in plain compression, F = σ·A/S. A cavity wall of its material stands a pressure of half its
 * allowable stress (thick wall, Lamé: the largest shear is at the bore), p = σ/(2S). And the clamp left must hold the
 * mould shut over the shadow, with force.clamp's usual fifth in hand. Hold goes in the same share as injection. Static
 * and warm: a first shot, not a life.
 */
#[Calc('force.soft_mould', 'first settings for a printed or resin mould, by its own strength')]
final class SoftMouldSettings
{
    private const BAR_PER_MPA = 10.0;

    private const CLAMP_SAFETY = 1.2;

    public function __invoke(SoftMouldInput $in): SoftMouldResult
    {
        $clamp = min($in->clamp_kn, 0.1 * $in->insert->allowable_mpa * $in->insert->land_area_cm2 / $in->safety);
        $limits = [
            'metal' => $in->injection_bar,
            'insert' => self::BAR_PER_MPA * $in->insert->allowable_mpa / (2 * $in->safety),
            'clamp' => 100 * $clamp / (self::CLAMP_SAFETY * $in->projected_area_cm2),
        ];
        $injection = min($limits);
        $limitedBy = (string) array_search($injection, $limits, true);
        $hold = $in->hold_bar * $injection / $in->injection_bar;

        return (new SoftMouldResult($clamp, $injection, $hold, $limitedBy, [
            'A soft pad behind the insert.',
            'Bolts snug by hand, evenly.',
            'Go up in small steps and look at the mould after each shot; count its shots.',
            'Stand clear: a cracked insert lets melt out.',
        ]))->explain(match ($limitedBy) {
            'insert' => sprintf('The insert stands %.0f bar: no more.', $injection),
            'clamp' => sprintf(
                'Its lands carry %.0f kN of clamp, and that holds %.0f bar: no more.',
                $clamp,
                $injection,
            ),
            default => 'The insert stands the settings of the metal mould.',
        });
    }
}
