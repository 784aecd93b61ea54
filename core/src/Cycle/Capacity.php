<?php

declare(strict_types=1);

namespace Dithermic\Core\Cycle;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;

/**
 * Theory of a repeated flow: pieces go through the steps in order and overlap wherever resources allow, so the cycle is
 * the largest load, Σ seconds of the steps that need a resource / how many there are of it. Steady state; no waiting
 * for uneven arrivals, no scrap.
 */
#[Calc('cycle.capacity', 'what holds the output back, and what one more would do')]
final class Capacity
{
    public function __invoke(CapacityInput $in): CapacityResult
    {
        $path = array_sum(array_map(static fn (CycleStep $s): float => $s->seconds, $in->steps));
        if ($path <= 0) {
            throw new InputError('steps', 'take no time at all');
        }
        $names = array_values(array_unique(array_merge(...array_map(
            static fn (CycleStep $s): array => $s->needs,
            $in->steps,
        ))));
        [$cycle, $bottleneck, $loads] = self::cycle($in->steps, $names, $in->resources, $path);
        $perShift = static fn (
            float $c,
            float $p,
        ): int => ($in->shift_min - $in->startup_min) * 60 + 1e-9 < $p ? 0 : (int) floor(
            (($in->shift_min - $in->startup_min) * 60 - $p) / $c + 1e-9,
        ) + 1;
        $whatIf = [];
        foreach ($names as $name) {
            [$c] = self::cycle($in->steps, $names, [$name => ($in->resources[$name] ?? 1) + 1] + $in->resources, $path);
            $whatIf[] = new WhatIf("+1 {$name}", $c, $perShift($c, $path));
        }
        if ($in->preheated_soak_s !== null) {
            $hot = array_map(
                static fn (CycleStep $s): CycleStep => $s->id === 'soak' ? new CycleStep(
                    $s->id,
                    (float) $in->preheated_soak_s,
                    $s->needs,
                ) : $s,
                $in->steps,
            );
            $p = array_sum(array_map(static fn (CycleStep $s): float => $s->seconds, $hot));
            [$c] = self::cycle($hot, $names, $in->resources, $p);
            $whatIf[] = new WhatIf('preheated feed', $c, $perShift($c, $p));
        }

        return (new CapacityResult($cycle, $bottleneck, $path, $perShift($cycle, $path), $in->wanted === null ? null : (
            $in->startup_min * 60 + $path + ($in->wanted - 1) * $cycle
        ) / 3600,
            array_map(static fn (float $load): float => $load / $cycle, $loads), $whatIf))
            ->explain(sprintf(
                'A piece every %.1f min; %s holds it back.',
                $cycle / 60,
                $bottleneck === 'steps' ? 'the length of its own steps' : 'the '.str_replace('_', ' ', $bottleneck),
            ));
    }

    /**
     * @param  list<CycleStep>  $steps
     * @param  list<string>  $names
     * @param  array<string, int>  $counts
     * @return array{float, string, array<string, float>} cycle, bottleneck, load by resource
     */
    private static function cycle(array $steps, array $names, array $counts, float $path): array
    {
        $loads = [];
        foreach ($names as $name) {
            $busy = 0.0;
            foreach ($steps as $step) {
                $busy += in_array($name, $step->needs, true) ? $step->seconds : 0.0;
            }
            $loads[$name] = $busy / ($counts[$name] ?? 1);
        }
        $cycle = 0.0;
        $bottleneck = 'steps';
        foreach ($loads as $name => $load) {
            if ($load > $cycle * (1 + 1e-12)) {
                [$cycle, $bottleneck] = [$load, (string) $name];
            }
        }

        return $cycle > 0 ? [$cycle, $bottleneck, $loads] : [$path, 'steps', $loads];
    }
}
