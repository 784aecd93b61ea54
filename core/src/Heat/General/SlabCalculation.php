<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;

/**
 * The general door to the conduction solver; see Conduction\Stack for the equation, the method and its sources.
 * Valid for conduction through plane or round layers with properties that do not depend on pressure; no radiation
 * through clear layers, no flow inside a layer.
 */
#[Calc('heat.slab', 'transient heat through layers, flat or round, with melting and closing flake', size: 'duration_s')]
final class SlabCalculation
{
    /**
     * @param  float  $cells  times the default number of cells
     * @param  float  $steps  times the default number of steps
     */
    public function __invoke(SlabInput $in, float $cells = 1.0, float $steps = 1.0): SlabResult
    {
        $cylinder = $in->geometry === Geometry::Cylinder;
        $stack = new Stack(
            self::layers($in, $cells),
            $in->left->boundary(),
            $in->right->boundary(),
            $cylinder,
            stepK: 3.0,
            stepScale: 1 / $steps,
        );
        $times = array_map(floatval(...), $in->sample_s);
        asort($times);
        $seen = [];
        foreach ($times as $index => $time) {
            $stack->run($time);
            $seen[$index] = clone $stack;
        }
        $stack->run($in->duration_s);
        $final = $stack->edges();
        ksort($seen);
        $samples = [];
        foreach ($seen as $index => $then) {
            $samples[] = self::sample($then, (float) $in->sample_s[$index], $cylinder, $final);
        }
        $result = new SlabResult($samples, 1000 * end($final), $stack->energyIn, $stack->energyErrorPct());
        foreach ($in->layers as $i => $layer) {
            $hottest = $stack->hottestSoFar($i);
            $result->warn(
                $layer->ceiling_c !== null && $hottest > $layer->ceiling_c
                    ? sprintf(
                        'Layer %d gets to %.0f °C, above its ceiling of %.0f °C.',
                        $i + 1,
                        $hottest,
                        $layer->ceiling_c,
                    )
                    : null,
            );
        }
        $mean = $stack->meanTemperature();

        return $result->explain(sprintf('After %s s the mean is %.1f °C, from %.1f °C at the left to %.1f °C at the right.',
            rtrim(rtrim(number_format($in->duration_s, 1, '.', ''), '0'), '.'),
            $mean,
            $stack->leftSurface(),
            $stack->rightSurface()));
    }

    /** @return list<Layer> */
    private static function layers(SlabInput $in, float $scale): array
    {
        $total = 0.0;
        foreach ($in->layers as $layer) {
            $total += sqrt($layer->thickness_mm);
        }
        $layers = [];
        foreach ($in->layers as $layer) {
            $share = (int) round($scale * max(6, 80 * sqrt($layer->thickness_mm) / $total));
            $layers[] = new Layer(
                $layer->substance(),
                $layer->thickness_mm / 1000,
                max(2, $share),
                $layer->initial_c,
                $layer->contact_next_w_m2k,
            );
        }

        return $layers;
    }

    /**
     * @param  non-empty-list<float>  $final the cells' edges at the end: the centre is the stuff that ends up half way
     */
    private static function sample(Stack $stack, float $time, bool $cylinder, array $final): SlabSample
    {
        $edges = $stack->edges();
        $thickness = end($edges);
        $left = $stack->leftSurface();
        $right = $stack->rightSurface();
        $points = [new ProfilePoint(0.0, $left)];
        foreach ($stack->t as $i => $c) {
            $points[] = new ProfilePoint(500 * ($edges[$i] + $edges[$i + 1]), $c);
        }
        $points[] = new ProfilePoint(1000 * $thickness, $right);
        $values = array_map(static fn (ProfilePoint $p): float => $p->c, $points);

        return new SlabSample(
            $time, $left, $right,
            $cylinder ? $left : self::centre($points, $final),
            $stack->meanTemperature(), min($values), max($values), $points,
        );
    }

    /**
     * @param  list<ProfilePoint>  $points
     * @param  non-empty-list<float>  $final
     */
    private static function centre(array $points, array $final): float
    {
        $half = end($final) / 2;
        for ($i = 0; $final[$i + 1] < $half; $i++);
        // Within the cell that ends up half way: from its middle towards the neighbour (or the face) on that side.
        $middle = ($final[$i] + $final[$i + 1]) / 2;
        $side = $half < $middle ? -1 : 1;
        $beyond = $i + $side;
        $next = match (true) {
            $beyond < 0 => 0.0,
            ! isset($final[$beyond + 1]) => end($final),
            default => ($final[$beyond] + $final[$beyond + 1]) / 2,
        };
        $a = $points[$i + 1]->c;

        return $next === $middle ? $a : $a + ($points[$beyond + 1]->c - $a) * ($half - $middle) / ($next - $middle);
    }
}
