<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * One-term solution for a wall between faces held at the mould's temperature (Ballman & Shusman 1959; Rosato):
 * centre: s²/(π²α)·ln(4/π·(Tm − Tw)/(Te − Tw)); mean: the same with 8/π². No heat of fusion, no contact resistance: the
 * solver's heat.mould_contact knows both. Refused where the one term would give a negative time.
 */
#[Calc('heat.cooling_time', 'cooling time of a moulded wall, in closed form')]
final readonly class CoolingTime
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(CoolingTimeInput $in): CoolingTimeResult
    {
        $alpha = $in->diffusivity_m2_s;
        if ($alpha === null) {
            $need = fn (string $name): float => $in->material->need($name, $this->polymers);
            $alpha = $in->material->polymer === null && $in->material->density_solid_g_cm3 === null
                ? throw new InputError('diffusivity_m2_s', 'give it, or name a polymer')
                : $need('conductivity_melt_w_mk') / (
                    $need('density_solid_g_cm3') * 1e6 * $need('specific_heat_melt_j_gk')
                );
        }
        $factor = $in->criterion === Criterion::Centre ? 4 / M_PI : 8 / M_PI ** 2;
        $log = log($factor * ($in->melt_c - $in->mould_c) / ($in->eject_c - $in->mould_c));
        if ($log <= 0) {
            throw new InputError(
                'eject_c',
                'is so near the melt that the one-term formula gives no time: use heat.mould_contact',
            );
        }
        $s = ($in->thickness_mm / 1000) ** 2 / (M_PI ** 2 * $alpha) * $log;

        return (new CoolingTimeResult($s))->warn($in->material->overCeiling(
            $in->melt_c,
            'The melt',
            $this->polymers,
        ))->explain(sprintf(
            '%.1f s until the %s is at %.0f °C. Twice as thick takes four times as long.',
            $s,
            $in->criterion->value,
            $in->eject_c,
        ));
    }
}
