<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Calc;

/**
 * What a good part cost: material, energy, hands and the mould's wear of the whole run over the parts that were good,
 * and what of it the scrapped ones took (a share by parts). No overhead, no profit: those are the shop's own.
 */
#[Calc('cost.part', 'what a good part cost, and what the scrap did', size: 'good')]
final readonly class Part
{
    public function __invoke(CostInput $in): CostResult
    {
        $parts = $in->good + $in->scrapped;
        $shots = $in->mould === null ? 0 : (int) ceil($parts / $in->mould->cavities - 1e-9);
        $totals = [
            'material' => array_sum(array_map(
                static fn (MaterialCost $m): float => $m->mass_g / 1000 * $m->price_kg,
                $in->material,
            )),
            'energy' => $in->energy_kwh * $in->price_kwh,
            'hands' => array_sum(array_map(
                static fn (HandsCost $h): float => $h->minutes / 60 * $h->price_h,
                $in->hands,
            )),
            'mould' => $in->mould === null ? 0.0 : $in->mould->price * $shots / $in->mould->life_shots,
        ];
        $total = array_sum($totals);
        $lines = [];
        foreach ($totals as $id => $of) {
            $lines[] = new CostLine($id, (float) $of, $of / $in->good);
        }
        $scrap = $total * $in->scrapped / $parts;
        arsort($totals);
        $result = new CostResult($total / $in->good, $lines, $scrap, $total);

        return $result->explain(sprintf(
            '%.2f for each good part, most of it %s.%s', $total / $in->good, array_key_first($totals),
            $in->scrapped === 0
                ? ''
                : sprintf(' The scrap cost %.2f, %.0f %% of it all.', $scrap, 100 * $in->scrapped / $parts),
        ))->warn(
            $in->mould !== null && $shots > $in->mould->life_shots
                ? 'The mould made more shots than its life: look at it before the next run.'
                : null,
        );
    }
}
