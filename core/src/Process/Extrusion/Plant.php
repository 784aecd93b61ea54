<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Observed;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Run\Step;

/**
 * An extruder, its bar moulds and its tank. A bar's mass is its section by its length by the solid's density, less the voids
 * that the day's back pressure and dryness leave, which grow while the melt is still young. Its skin carries it after the time
 * that its own cooling takes: stripped before that it bends under its weight. The tank warms with every bar that it cools.
 */
final class Plant implements Machine
{
    private const ROOM_C = 20.0;

    /** of the barrel's bands and steel, s */
    private const LAG_S = 560.0;

    /** a bar's heat warms the tank by so much, K, until its flow takes it away again */
    private const WARMS_K = 0.35;

    /** voids that a cold start leaves in the first bars, % */
    private const YOUNG_PCT = 2.5;

    /** @var array<int, float> minutes in the tank, by bar */
    private array $tank = [];

    /**
     * @param  array<string, float|int|string|null>  $targets  of the plan
     * @param  float  $voidPct  that the day's back pressure and dryness leave
     * @param  float  $coolFactor  what the skin really takes over the physics, in a tank at its plan's heat
     */
    public function __construct(
        private readonly Dice $dice,
        private readonly array $targets,
        private readonly float $solidGCm3,
        private readonly float $voidPct,
        private readonly float $coolFactor,
    ) {
    }

    public function seen(Step $step, ?int $piece, float $began, float $now): array
    {
        if ($step->id === 'tank' && $piece !== null) {
            $this->tank[$piece] = ($now - $began) / 60;
        }

        return match ($step->id) {
            'heat_up' => [new Observed('zones', ['barrel_c' => round($this->target('melt_c') - $this->dice->between(0, 3), 0)])],
            'load' => [new Observed('load', ['mass_g' => round($this->target('charge_mass_g'), -1)], 120)],
            'free_run' => [new Observed('purge', [
                'what' => 'smooth',
                'mass_g' => round($this->dice->normal(1, 0.15) * max(50.0, $this->target('purge_g')), 0),
            ], 60)],
            'judge' => $piece === null ? [] : $this->judge($piece),
            default => [],
        };
    }

    public function readings(float $from, float $to): array
    {
        $set = $this->target('melt_c');
        $bath = $this->target('bath_c');
        $readings = [];
        for ($t = $from; $t < $to; $t += 60) {
            $zone = $set - ($set - self::ROOM_C) * exp(-($t - $from) / self::LAG_S);
            $readings[] = ['at' => $t, 'place' => 'barrel', 'channel' => 'barrel_c', 'value' => round($zone + $this->dice->normal(0, 0.6), 1)];
            $warm = $bath + self::WARMS_K * min(count($this->tank), ($t - $from) / 900);
            $readings[] = ['at' => $t, 'place' => 'barrel', 'channel' => 'bath_c', 'value' => round($warm + $this->dice->normal(0, 0.2), 1)];
        }

        return $readings;
    }

    /** @return list<Observed> */
    private function judge(int $piece): array
    {
        $length = $this->target('length_mm') * $this->dice->normal(0.988, 0.0015);
        $voids = max(0.0, $this->voidPct + self::YOUNG_PCT * exp(-($piece - 1) / 1.5) + $this->dice->normal(0, 0.5));
        $mass = $this->target('section_area_mm2') * $length * $this->solidGCm3 / 1000 * (1 - $voids / 100);
        $warmed = 1 + 0.01 * self::WARMS_K * $piece;
        $bent = ($this->tank[$piece] ?? INF) < $this->target('tank_min') * $this->coolFactor * $warmed;
        $hollow = $voids > $this->target('void_limit_pct');
        $seen = [
            new Observed('bar', ['mass_g' => round($mass, 0), 'length_mm' => round($length, 0)], $this->dice->between(20, 50)),
        ];
        if ($bent) {
            $seen[] = new Observed('cue', ['what' => 'bent'], 5);
        }
        $why = match (true) {
            $hollow => 'hollow inside',
            $bent => 'bent when it was stripped',
            default => null,
        };
        $seen[] = new Observed('disposition', $why === null
            ? ['verdict' => 'good']
            : ['verdict' => 'scrap', 'reason' => $why], 5);

        return $seen;
    }

    private function target(string $name): float
    {
        return is_numeric($this->targets[$name] ?? null) ? (float) $this->targets[$name] : 0.0;
    }
}
