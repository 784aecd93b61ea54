<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Flow\FillResult;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Observed;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Practice\Warming;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;

/**
 * An injector and its mould. Its barrel is a little off its gauge, takes longer than the physics for a full load, and
 * comes up to heat by its bands' lag; what is loaded again pulls the melt down until it is through; its mould starts
 * cold and warms shot by shot towards what the plan takes for granted. How full a part gets is flow.fill at the melt
 * and mould that are really there: what freezes before it is full is short by as much, and so is what the machine
 * cannot press.
 */
final class Plant implements Machine
{
    /** of the bands and the steel that they heat, s */
    private const LAG_S = 420.0;

    /** shots after which a mould is two thirds of the way to its heat */
    private const WARMING_SHOTS = 3.0;

    /** of a part's mass when nothing else differs: what a scale and a hand make of it */
    private const SPREAD = 0.004;

    /**
     * shot faster than the plan's cycle the melt comes colder: by so much, K, falling by e for each half of that cycle
     */
    private const COLD_K = 60.0;

    private const THROUGH = 2.0;

    private readonly Record $targets;

    private float $soakedS = 0.0;

    private float $inBarrelG = 0.0;

    private ?float $shotAt = null;

    /** @var array<int, float> share of its mass that a part of a shot has, by shot */
    private array $full = [];

    private int $shots = 0;

    /**
     * @param  array<string, float|null>  $settings  of the plan
     * @param  array<string, float|int|string|null>  $targets  of the plan
     * @param  float  $offK  what the melt is over its set-point
     * @param  float  $soakFactor  what a full barrel really takes over the physics
     * @param  float  $mouldStartC  as it hangs before the first shot
     * @param  float  $force  share of the pressure that gets to the melt: a plunger loses about half of it in the granules
     *                        before the melt, P = P₀·exp(−4·μ·L/D) (Spencer, Gilmore & Wiley, J. Appl. Phys. 1944)
     */
    public function __construct(
        private readonly Registry $calculations,
        private readonly Dice $dice,
        private readonly string $polymer,
        private readonly array $settings,
        array $targets,
        private readonly ?float $availableBar,
        private readonly float $offK,
        private readonly float $soakFactor,
        private readonly float $mouldStartC,
        private readonly float $force = 1.0,
    ) {
        $this->targets = new Record($targets);
    }

    public function seen(Step $step, ?int $piece, float $began, float $now): array
    {
        if ($step->id === 'soak') {
            $this->soakedS = $now - $began;
        }
        if ($step->id === 'shoot' && $piece !== null) {
            $this->full[$piece] = $this->shoot($now);
        }

        return match ($step->id) {
            'heat_up' => [
                new Observed(
                    'zones',
                    ['barrel_c' => round($this->targets->number('melt_c', 0.0) - $this->dice->between(0, 3), 0)],
                ),
            ],
            'fill' => [$this->load($this->targets->number('shot_mass_g', 0.0) * $this->loads(), 60)],
            'cool' => $this->refill($now),
            'test_shot' => $this->testShots(),
            'judge' => $piece === null ? [] : $this->judge($piece),
            // A plunger is shot empty; a screw is left full of what stands the heat.
            'empty' => [new Observed('left', [
                'what' => $this->targets->has('barrel_g') ? 'empty' : 'HDPE',
                'mould' => 'on its shelf',
            ], 20)],
            default => [],
        };
    }

    /** Nothing is asked again and again of it. */
    public function reminded(string $entry, ?int $piece): ?Observed
    {
        return null;
    }

    public function readings(float $from, float $to): array
    {
        return Warming::readings($this->dice, $this->targets->number('melt_c', 0.0), self::LAG_S, 0.5, $from, $to);
    }

    public function live(RunState $state, float $from, float $to): array
    {
        $melt = $this->targets->number('melt_c', 0.0);

        return Warming::readings($this->dice, $melt, self::LAG_S, 0.5, $from, $to, $state->startedAt);
    }

    /** As much as the run needs, but not more than the barrel holds. */
    private function loads(): float
    {
        $shot = $this->targets->number('shot_mass_g', 0.0);
        $room = $this->targets->mayNumber('barrel_g');

        return $room !== null && $shot > 0 ? max(1.0, floor($room / $shot)) : 4.0;
    }

    private function load(float $grams, float $takesS): Observed
    {
        $this->inBarrelG += round($grams, 0);

        return new Observed('load', ['mass_g' => round($grams, 0)], $takesS);
    }

    /** @return list<Observed> a plunger's barrel is filled again when less than two shots are in it, and waited for, more or less */
    private function refill(float $now): array
    {
        $shot = $this->targets->number('shot_mass_g', 0.0);
        if (! $this->targets->has('barrel_g') || $this->inBarrelG >= 2 * $shot) {
            return [];
        }
        $waits = $this->targets->number('cycle_s', 0.0) * $this->dice->between(0.3, 1.1) - ($now - (float) $this->shotAt);

        return [$this->load($shot, max(20.0, $waits))];
    }

    /** How far the melt is under its heat because the last shot was so short a time ago, K. */
    private function cold(float $now): float
    {
        $needs = $this->targets->number('cycle_s', 0.0) * $this->soakFactor;
        $since = $this->shotAt === null ? INF : $now - $this->shotAt;
        $this->shotAt = $now;

        return $this->targets->has('barrel_g')
            ? self::COLD_K * exp(-self::THROUGH * $since / $needs)
            : 0.0;
    }

    /** @return list<Observed> until the melt comes smooth: what is not through yet comes in lumps */
    private function testShots(): array
    {
        $needed = 60 * $this->targets->number('soak_min', 0.0) * $this->soakFactor;
        $seen = [];
        while ($this->soakedS < $needed) {
            $wait = max(60.0, 0.5 * ($needed - $this->soakedS));
            $seen[] = new Observed(
                'purge',
                ['what' => 'lumps', 'mass_g' => round($this->dice->between(3, 8), 0)],
                $wait,
            );
            $this->soakedS += $wait + 30;
        }
        $seen[] = new Observed('purge', ['what' => 'smooth', 'mass_g' => round($this->dice->between(4, 9), 0)], 30);

        return $seen;
    }

    private function shoot(float $now): float
    {
        $this->inBarrelG -= $this->targets->number('shot_mass_g', 0.0);
        $wanted = $this->targets->number('mould_c', 0.0);
        $mould = $wanted - ($wanted - $this->mouldStartC) * exp(-$this->shots / self::WARMING_SHOTS);
        $this->shots++;
        $fill = $this->fill($this->targets->number('melt_c', 0.0) + $this->offK - $this->cold($now), $mould);
        if ($fill === null) {
            return 1.0;
        }
        $freeze = INF;
        foreach ($fill->segments as $segment) {
            $freeze = min($freeze, $segment->freeze_s);
        }
        $presses = $this->availableBar === null ? 1.0 : $this->availableBar * $this->force / $fill->pressure_bar;

        return min(1.0, $freeze / $fill->fill_s, $presses);
    }

    private function fill(float $melt, float $mould): ?FillResult
    {
        $length = $this->settings['flow_length_mm'] ?? null;
        $volume = $this->settings['part_volume_cm3'] ?? null;
        $wall = $this->settings['thickness_mm'] ?? null;
        if ($length === null || $volume === null || $wall === null) {
            return null;
        }
        $fill = $this->calculations->run('flow.fill', [
            'polymer' => $this->polymer,
            'melt_c' => $melt,
            'mould_c' => $mould,
            'flow_cm3_s' => $volume / ($this->settings['fill_s'] ?? 2.0),
            'path' => [[
                'kind' => 'slit',
                'length_mm' => $length,
                'width_mm' => 1000 * $volume / ($length * $wall),
                'height_mm' => $wall,
            ]],
        ]);
        assert($fill instanceof FillResult);

        return $fill;
    }

    /** @return list<Observed> every third part is weighed, and each that looks short */
    private function judge(int $piece): array
    {
        $mass = $this->targets->number('part_mass_g', 0.0) * ($this->full[$piece] ?? 1.0) * $this->dice->normal(1.0, self::SPREAD);
        $short = $mass < $this->targets->number('part_least_g', 0.0);
        $weighed = $short || $piece % 3 === 1
            ? [new Observed('part', ['mass_g' => round($mass, 2)], $this->dice->between(8, 20))]
            : [];

        return [...$weighed, new Observed('disposition', $short
            ? ['verdict' => 'scrap', 'reason' => 'short']
            : ['verdict' => 'good'], 3)];
    }
}
