<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Masses by ratio, rounded to the scale so that the total stays right (largest remainder, equals in the order given).
 * What is too small for the scale is proposed as a premix: min_divisions · resolution of it in enough of the largest
 * component that the wanted mass can be weighed; where that is more than the batch itself, in several dilutions.
 * Density of the blend: 1/Σ(w/ρ), volumes adding up. Let-down: parts of all else to one of masterbatch.
 */
#[Calc('charge.blend', 'colours, regrind and virgin by ratio, on the scale')]
final readonly class Blend
{
    /** far more than any scale asks for */
    private const MOST_STAGES = 40;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

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
            $components[] = new BlendComponent(
                $part->name,
                100 * $part->parts / $parts,
                $masses[$i],
                $rounded,
                100 * ($rounded - $masses[$i]) / $masses[$i],
                $masses[$i] >= $least * (1 - 1e-9),
            );
            $volume = $volume === null || $part->density_g_cm3 === null
                ? null
                : $volume + $part->parts / $parts / $part->density_g_cm3;
        }
        $premix = self::premix($components, $masses, $least, $step);
        $small = array_filter($components, static fn (BlendComponent $c): bool => ! $c->weighable);

        $regrind = self::share($in, PartKind::Regrind);
        $masterbatch = self::share($in, PartKind::Masterbatch);
        $caution = $in->polymer === null
            ? null
            : Regrind::caution($this->polymers->get($in->polymer), $regrind);

        return (new BlendResult(
            $components,
            array_sum($steps) * $step,
            $volume === null ? null : 1 / $volume,
            $premix,
            $regrind,
            $masterbatch > 0 ? (100 - $masterbatch) / $masterbatch : null,
        ))->warn($caution)->explain($premix !== null
            ? self::say($premix)
            : (
                $small === []
                    ? 'Every part can be weighed on this scale.'
                    : 'Too little for this scale: make more at once, or use a finer scale.'
            ));
    }

    /** Per cent of the mass that is of a kind. */
    private static function share(BlendInput $in, PartKind $kind): float
    {
        $of = 0.0;
        $all = 0.0;
        foreach ($in->components as $part) {
            $of += $part->kind === $kind ? $part->parts : 0.0;
            $all += $part->parts;
        }

        return 100 * $of / $all;
    }

    private static function say(Premix $premix): string
    {
        if (count($premix->stages) === 1) {
            return sprintf(
                '%s is too little for this scale: weigh %.10g g of it into %.10g g of %s, and take %.2f g of that.',
                $premix->component, $premix->component_g, $premix->carrier_g, $premix->carrier, $premix->use_g,
            );
        }

        return sprintf(
            '%s is far too little for this scale: dilute it %d times in %s, %.10g g into %.10g g each, and take %.2f g of the last.',
            $premix->component,
            count($premix->stages),
            $premix->carrier,
            $premix->component_g,
            $premix->carrier_g,
            $premix->use_g,
        );
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
        $total = array_sum($masses);
        $stages = [];
        for ($count = 1; $count <= self::MOST_STAGES; $count++) {
            $stages = self::stages($components[$small]->name, $count, $m, $least, $step);
            if ($stages[0]->carrier_g <= $total) {
                break;
            }
        }
        $use = $m;
        foreach ($stages as $stage) {
            $use *= $stage->premix_g / $stage->take_g;
        }
        $last = $stages[count($stages) - 1];

        return new Premix(
            $components[$small]->name, $components[$carrier]->name, $last->take_g, $last->carrier_g, $last->premix_g,
            $use, $masses[$carrier] - ($use - $m), $stages,
        );
    }

    /**
     * So many dilutions by the same ratio, that the least weighable of the last holds m: r = (m/w)^(1/n) each.
     *
     * @return non-empty-list<PremixStage>
     */
    private static function stages(string $component, int $count, float $m, float $least, float $step): array
    {
        $into = ceil(max($least, $least / ($m / $least) ** (1 / $count) - $least) / $step - 1e-9) * $step;
        $stages = [new PremixStage($component, $least, $into, $least + $into)];
        for ($i = 1; $i < $count; $i++) {
            $stages[] = new PremixStage("premix {$i}", $least, $into, $least + $into);
        }

        return $stages;
    }
}
