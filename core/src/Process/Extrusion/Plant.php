<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Data\Record;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Observed;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Practice\Warming;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;
use Dithermic\Core\Run\Thread;

/**
 * An extruder, its bar moulds and its tank. A bar's mass is its section by its length by the solid's density, less the
 * voids that the day's back pressure and dryness leave, which grow while the melt is still young. Its skin carries it
 * after the time that its own cooling takes: stripped before that it bends under its weight. The tank warms with every
 * bar that it cools.
 */
final class Plant implements Machine
{
    /** of the barrel's bands and steel, s */
    private const LAG_S = 560.0;

    /** a bar's heat warms the tank by so much, K, until its flow takes it away again */
    private const WARMS_K = 0.35;

    /** voids of gas in the melt of a closed barrel, %, and the share of them that an open vent lets stay */
    private const GAS_PCT = 1.2;

    private const OPEN_VENT = 0.5;

    /** voids that a cold start leaves in the first bars, % */
    private const YOUNG_PCT = 2.5;

    private readonly Record $targets;

    /** @var array<int, float> minutes in the tank, by bar */
    private array $tank = [];

    /**
     * @param  array<string, float|int|string|null>  $targets  of the plan
     * @param  float  $voidPct  that the day's back pressure and dryness leave in a closed barrel's melt
     * @param  float  $coolFactor  what the skin really takes over the physics, in a tank at its plan's heat
     */
    public function __construct(
        private readonly Dice $dice,
        array $targets,
        private readonly float $solidGCm3,
        private readonly float $voidPct,
        private readonly float $coolFactor,
    ) {
        $this->targets = new Record($targets);
    }

    public function seen(Step $step, ?int $piece, float $began, float $now): array
    {
        if ($step->id === 'tank' && $piece !== null) {
            $this->tank[$piece] = ($now - $began) / 60;
        }

        return match ($step->id) {
            'heat_up' => [
                new Observed(
                    'zones',
                    ['barrel_c' => round($this->targets->number('melt_c', 0.0) - $this->dice->between(0, 3), 0)],
                ),
            ],
            'load' => [
                new Observed('load', ['mass_g' => round($this->targets->number('charge_mass_g', 0.0), -1)], 120),
            ],
            'free_run' => [new Observed('purge', [
                'what' => 'smooth',
                'mass_g' => round($this->dice->normal(1, 0.15) * max(50.0, $this->targets->number('purge_g', 0.0)), 0),
            ], 60), ...$this->gauge()],
            'judge' => $piece === null ? [] : $this->judge($piece),
            'empty' => [new Observed('left', ['what' => 'what was run'], 20)],
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
        return $this->written($from, $to, $from, fn (float $t): float => min(count($this->tank), ($t - $from) / 900));
    }

    public function live(RunState $state, float $from, float $to): array
    {
        $since = $state->startedAt ?? $from;
        // Bars that are in the tank, or have been.
        $bars = count(array_filter($state->pieces, static fn (Thread $p): bool => isset($p->timers['tank'])));

        return $this->written($from, $to, $since, static fn (float $t): float => min($bars, ($t - $since) / 900));
    }

    /**
     * @param  callable(float): float  $bars  that have warmed the tank by a moment
     * @return list<array{at: float, place: string, channel: string, value: float}>
     */
    private function written(float $from, float $to, float $since, callable $bars): array
    {
        $bath = $this->targets->number('bath_c', 0.0);
        $melt = $this->targets->number('melt_c', 0.0);
        $readings = Warming::readings($this->dice, $melt, self::LAG_S, 0.6, $from, $to, $since);
        for ($t = $from; $t < $to; $t += 60) {
            $readings[] = [
                'at' => $t,
                'place' => 'barrel',
                'channel' => 'bath_c',
                'value' => round($bath + self::WARMS_K * $bars($t) + $this->dice->normal(0, 0.2), 1),
            ];
        }

        return $readings;
    }

    /** @return list<Observed> what the vent's gauge shows, where it has one */
    private function gauge(): array
    {
        $wanted = $this->targets->mayNumber('vent_pulls_bar');

        return $wanted === null ? [] : [new Observed('vent', ['pulls_bar' => round($wanted + 0.03, 2)], 20)];
    }

    /** Voids of the gas that a vent takes out, %. */
    private function vented(): float
    {
        $leaves = $this->targets->mayNumber('vent_leaves_share');

        return $leaves === null ? 0.0 : self::GAS_PCT * (1 - self::OPEN_VENT * $leaves);
    }

    /** @return list<Observed> */
    private function judge(int $piece): array
    {
        $length = $this->targets->number('length_mm', 0.0) * $this->dice->normal(0.988, 0.0015);
        $young = self::YOUNG_PCT * exp(-($piece - 1) / 1.5);
        $voids = max(0.0, $this->voidPct - $this->vented() + $young + $this->dice->normal(0, 0.5));
        $mass = $this->targets->number('section_area_mm2', 0.0) * $length * $this->solidGCm3 / 1000 * (1 - $voids / 100);
        $warmed = 1 + 0.01 * self::WARMS_K * $piece;
        $bent = ($this->tank[$piece] ?? INF) < $this->targets->number('tank_min', 0.0) * $this->coolFactor * $warmed;
        $hollow = $voids > $this->targets->number('void_limit_pct', 0.0);
        $seen = [
            new Observed(
                'bar',
                ['mass_g' => round($mass, 0), 'length_mm' => round($length, 0)],
                $this->dice->between(20, 50),
            ),
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
}
