<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Body;
use Dithermic\Core\Heat\Conduction\Boundary;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * One half of a sheet between platens: mid-plane (insulated) | polymer | contact | plate | contact | platen.
 * Times in seconds. press_cycle and press_schools both drive it; the numerics are Conduction\Stack's.
 */
final class PressModel
{
    public const LIMIT_S = 86400.0;

    private const POLYMER = 0;

    /** a platen's heater is at full power this far below its set-point, K */
    private const HEATER_BAND_K = 5.0;

    /** idle losses are stated against a room of this temperature, °C */
    private const ROOM_C = 25.0;

    public readonly float $coreTarget;

    public readonly float $demould;

    public readonly float $pores;

    /** flakes are fused to solid, °C */
    public readonly float $closedAt;

    /** polymer half thickness once closed, m */
    private readonly float $half;

    private readonly Substance $polymer;

    private bool $cold = false;

    public function __construct(
        private readonly PressCycleInput $in,
        PolymerLibrary $library,
        private readonly float $cells = 1.0,
        private readonly float $steps = 1.0,
    ) {
        $thermal = $in->material->thermal($library);
        $this->coreTarget = $in->coreTarget($library);
        $this->demould = $in->demould($library);
        $this->pores = $in->pores($library);
        $this->closedAt = $thermal->consolidate_end_c;
        $this->polymer = Substance::polymer($thermal, $this->pores);
        $this->half = $in->thickness_mm / 2000;
    }

    public function coldStack(): Stack
    {
        $in = $this->in;
        $skin = $in->skin;

        return new Stack(
            [
                new Layer(
                    $this->polymer,
                    $this->half / (1 - $this->pores),
                    (int) round(27 * $this->cells),
                    $in->initial_c,
                    $in->contact_w_m2k,
                ),
                new Layer(
                    Substance::constant(
                        $skin->conductivity_w_mk,
                        $skin->density_kg_m3,
                        1000 * $skin->specific_heat_j_gk,
                    ),
                    $skin->thickness_mm / 1000, (int) max(2, round(3 * $this->cells)), $in->initial_c,
                ),
            ],
            new Insulated,
            $this->hotPlaten(),
            stepK: 2.8,
            stepScale: 1 / $this->steps,
        );
    }

    /**
     * Heats until the core reaches its target; gives the time in seconds.
     *
     * @param  null|callable(Stack): void  $watch
     */
    public function heatToTarget(Stack $stack, ?callable $watch = null): float
    {
        return Crossing::time(
            $stack,
            self::LIMIT_S,
            fn (Stack $s): float => $s->leftSurface() - $this->coreTarget,
            $watch,
        )
            ?? throw new InputError(
                'core_target_c',
                "the middle does not reach {$this->coreTarget} °C within a day: hotter platens, a thinner sheet or more heater power",
            );
    }

    /** Moves the stack to the cold press. */
    public function transfer(Stack $stack): void
    {
        $stack->meet($this->coldPlaten());
    }

    /**
     * Cools until the hottest point of the polymer is at demould.
     *
     * @param  null|callable(Stack): void  $watch
     * @return array{float, float} seconds from the transfer, and the mid-plane then
     */
    public function coolToDemould(Stack $stack, ?callable $watch = null): array
    {
        $start = $stack->time;
        // The core is read at every step, to be known at the moment itself.
        $seen = [[$start, $stack->leftSurface()], [$start, $stack->leftSurface()]];
        $reached = Crossing::time($stack, $start + self::LIMIT_S, fn (Stack $s): float => $this->demould - self::hottest($s), static function (Stack $s) use (
            &$seen,
            $watch,
        ): void {
            $seen = [$seen[1], [$s->time, $s->leftSurface()]];
            if ($watch !== null) {
                $watch($s);
            }
        }) ?? throw new InputError(
            'demould_c',
            "the sheet does not cool to {$this->demould} °C within a day: the cold press takes up more heat than it gets rid of",
        );
        [[$t0, $c0], [$t1, $c1]] = $seen;
        $coreThen = $t1 > $t0 ? $c0 + ($c1 - $c0) * ($reached - $t0) / ($t1 - $t0) : $c1;

        return [$reached - $start, $coreThen];
    }

    public static function hottest(Stack $stack): float
    {
        return max(
            $stack->leftSurface(),
            $stack->surfaceTowardsNext(self::POLYMER),
            ...$stack->layerTemperatures(self::POLYMER),
        );
    }

    public function point(Stack $stack): CurvePoint
    {
        $core = $stack->leftSurface();
        $surface = $stack->surfaceTowardsNext(self::POLYMER);
        $profile = null;
        if ($this->in->with_profile) {
            $profile = [round($core, 1)];
            foreach ($stack->layerTemperatures(self::POLYMER) as $i => $c) {
                if ($i % 3 === 1) {
                    $profile[] = round($c, 1);
                }
            }
            $profile[] = round($surface, 1);
        }
        $outer = $stack->rightFace;
        $thickness = 2000 * $stack->thickness(self::POLYMER);
        $closed = $this->in->thickness_mm;
        $loosest = $this->pores > 0 ? $closed / (1 - $this->pores) : $closed;

        return new CurvePoint(
            round($stack->time, 2), round($surface, 2), round($core, 2), round($thickness, 3),
            round($outer instanceof Body ? $outer->temperature : $this->heldPlaten(), 2),
            $loosest > $closed ? round(max(0.0, ($thickness - $closed) / ($loosest - $closed)), 4) : 0.0,
            $profile,
        );
    }

    /** The platen as it was measured; the stack is driven along it by PlatenTrace. */
    public function follow(Stack $stack, float $platen): Held
    {
        $face = new Held($platen, $this->in->contact_w_m2k);
        $stack->meet($face);

        return $face;
    }

    /**
     * A hot platen of this press that is at a temperature now, with the heaters and the set-point it shows.
     *
     * @param  HotPressInput  $press  per platen
     */
    public function platenAt(float $temperature, HotPressInput $press, float $set): Body
    {
        $in = $this->in;
        $area = $in->areaM2();
        $power = 1000 * $press->heater_kw / $area;
        $loss = 1000 * $press->loss_kw / $area;

        return new Body(
            $temperature, $in->contact_w_m2k, 1000 * $press->platen_kj_k / $area,
            $loss / ($in->platen_c - self::ROOM_C ?: 1.0), self::ROOM_C,
            $set, $power / self::HEATER_BAND_K, $loss, $power,
        );
    }

    /** What a platen's heater gives at a temperature, kW. */
    public static function heaterKw(HotPressInput $press, float $set, float $platen): float
    {
        return max(
            0.0,
            min($press->heater_kw, $press->heater_kw * ($set - $platen) / self::HEATER_BAND_K + $press->loss_kw),
        );
    }

    /** What a platen loses at a temperature, kW. */
    public function lossKw(HotPressInput $press, float $platen): float
    {
        return $press->loss_kw * ($platen - self::ROOM_C) / ($this->in->platen_c - self::ROOM_C ?: 1.0);
    }

    private function heldPlaten(): float
    {
        return $this->cold ? $this->in->cold_platen_c : $this->in->platen_c;
    }

    private function hotPlaten(): Boundary
    {
        $in = $this->in;
        if ($in->press === null) {
            return new Held($in->platen_c, $in->contact_w_m2k);
        }

        return $this->platenAt($in->platen_c, $in->press, $in->platen_c);
    }

    private function coldPlaten(): Boundary
    {
        $this->cold = true;
        $in = $this->in;
        if ($in->cold_press === null) {
            return new Held($in->cold_platen_c, $in->cold_contact_w_m2k);
        }

        return $this->coldPlatenAt(
            $in->cold_platen_c,
            $in->cold_press->platen_kj_k,
            $in->cold_press->cooling_w_k,
            $in->cold_press->coolant_c,
        );
    }

    /**
     * A cold platen that is at a temperature now, of such a heat capacity (kJ/K) and cooling (W/K over the coolant).
     */
    public function coldPlatenAt(float $temperature, float $capacity, float $cooling, float $coolant): Body
    {
        $area = $this->in->areaM2();

        return new Body(
            $temperature,
            $this->in->cold_contact_w_m2k,
            1000 * $capacity / $area,
            $cooling / $area,
            $coolant,
        );
    }
}
