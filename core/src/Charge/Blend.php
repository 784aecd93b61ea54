<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;

/**
 * Masses by ratio, rounded to the scale so that the total stays right (largest remainder, equals in the order given).
 * What is too small for the scale is proposed as a premix: min_divisions · resolution of it in enough of the largest
 * component that the wanted mass can be weighed. Density of the blend: 1/Σ(w/ρ), volumes adding up.
 */
#[Calc('charge.blend', 'colours, regrind and virgin by ratio, on the scale')]
final class Blend
{
    public function __invoke(BlendInput $in): BlendResult
    {
        $parts = array_sum(array_map(static fn (BlendPart $p): float => $p->parts, $in->components));
        $step = $in->scale_resolution_g;
        $least = $in->min_divisions * $step;
        $masses = array_map(static fn (BlendPart $p): float => $in->total_mass_g * $p->parts / $parts, $in->components);
        $steps = self::roundKeepingTotal($masses, $step, (int) floor($in->total_mass_g / $step + 0.5 + 1e-9));
        $components = [];
        $volume = 0.0;
        foreach ($in->components as $i => $part) {
            $rounded = $steps[$i] * $step;
            $components[] = new BlendComponent($part->name, 100 * $part->parts / $parts, $masses[$i], $rounded, 100 * ($rounded - $masses[$i]) / $masses[$i], $masses[$i] >= $least * (1 - 1e-9));
            $volume = $volume === null || $part->density_g_cm3 === null ? null : $volume + $part->parts / $parts / $part->density_g_cm3;
        }
        $premix = self::premix($components, $masses, $least, $step);
        $small = array_filter($components, static fn (BlendComponent $c): bool => ! $c->weighable);

        return (new BlendResult($components, array_sum($steps) * $step, $volume === null ? null : 1 / $volume, $premix))->explain($premix !== null
            ? sprintf('%s is too little for this scale: weigh %.10g g of it into %.10g g of %s, and take %.2f g of that.', $premix->component, $premix->component_g, $premix->carrier_g, $premix->carrier, $premix->use_g)
            : ($small === [] ? 'Every part can be weighed on this scale.' : 'Too little for this scale: make more at once, or use a finer scale.'));
    }

    /**
     * @param  list<float>  $masses
     * @return list<int> steps of the scale
     */
    private static function roundKeepingTotal(array $masses, float $step, int $total): array
    {
        $steps = array_map(static fn (float $m): int => (int) floor($m / $step + 1e-9), $masses);
        $left = array_map(static fn (float $m, int $s): float => round($m / $step - $s, 9), $masses, $steps);
        arsort($left);
        $missing = $total - array_sum($steps);
        foreach (array_keys($left) as $i) {
            if ($missing-- <= 0) {
                break;
            }
            $steps[$i]++;
        }

        return array_values($steps);
    }

    /**
     * @param  list<BlendComponent>  $components
     * @param  list<float>  $masses
     */
    private static function premix(array $components, array $masses, float $least, float $step): ?Premix
    {
        $small = null;
        $carrier = 0;
        foreach ($components as $i => $component) {
            if (! $component->weighable && ($small === null || $masses[$i] < $masses[$small])) {
                $small = $i;
            }
            $carrier = $masses[$i] > $masses[$carrier] ? $i : $carrier;
        }
        if ($small === null || ! $components[$carrier]->weighable) {
            return null;
        }
        $m = $masses[$small];
        $into = ceil(max($least, $least * $least / $m - $least) / $step - 1e-9) * $step;
        $premix = $least + $into;
        $use = $m * $premix / $least;

        return new Premix($components[$small]->name, $components[$carrier]->name, $least, $into, $premix, $use, $masses[$carrier] - ($use - $m));
    }
}
