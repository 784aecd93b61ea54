<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Numerics\LeastSquares;

/**
 * The sheet as it really heats: the press model with its platen at the temperatures that were read, up to now. From
 * there the platen goes on by itself, with the heater power that the balance of its last five minutes shows,
 *
 *     heater = platen_kj_k·dT/dt + loss(T) + heat that went into the stack,
 *
 * or, where it works within its band, with the set-point that this power means. Too soon after slide-in, or without
 * readings, what the press's own data say stands.
 */
#[Calc('heat.track', 'the sheet as it really heats, from the platens as they were measured', size: 'thickness_mm')]
final readonly class Track
{
    /** what is looked at for the heater and the set-point, s */
    private const LOOK_BACK_S = 300.0;

    /** the sag right after slide-in says nothing of the heater, s */
    private const SAG_S = 60.0;

    private const FEWEST = 4;

    /** a heater is believed between these shares of what it is said to be */
    private const HEATER = [0.25, 1.6];

    /** a set-point is believed this far from what was typed, K */
    private const SET_OFF_K = 25.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(TrackInput $in): TrackResult
    {
        $cycle = $in->cycle;
        $press = $cycle->press;
        assert($press !== null);
        $model = new PressModel($cycle, $this->polymers);
        $readings = array_values(array_filter(
            $in->readings,
            static fn (PlatenReading $r): bool => $r->t_s <= $in->now_s,
        ));
        $trace = new PlatenTrace($readings, $cycle->platen_c);
        $stack = $model->coldStack();
        $face = $model->follow($stack, $trace->readings[0]->platen_c);
        $ready = null;
        $before = [0.0, $stack->leftSurface()];
        $heat = [[0.0, 0.0]];
        $watch = static function (Stack $s) use ($model, &$ready, &$before, &$heat): bool {
            $core = $s->leftSurface();
            if ($ready === null && $core >= $model->coreTarget) {
                $ready = $before[0] + ($s->time - $before[0]) * ($model->coreTarget - $before[1]) / max(
                    $core - $before[1],
                    1e-9,
                );
            }
            $before = [$s->time, $core];
            $heat[] = [$s->time, $s->energyRight];

            return false;
        };
        $trace->drive($stack, $face, 0.0, $in->now_s, $watch);
        [$platen, $heater, $set] = $this->shown($trace, $heat, $model, $cycle, $press);
        $stack->meet($model->platenAt(
            $platen,
            new HotPressInput($heater, $press->platen_kj_k, min($press->loss_kw, 0.98 * $heater)),
            $set,
        ));
        $stack->run($in->now_s, $watch);
        [$core, $surface] = [$stack->leftSurface(), $model->point($stack)->surface_c];
        $planned = $model->heatToTarget($model->coldStack());
        if ($ready === null) {
            $ready = $this->reaches($model, $stack);
        }
        $lag = $ready === null ? null : $ready - $planned;
        $result = new TrackResult(
            $core,
            $surface,
            $ready,
            $lag,
            $this->because($platen, $heater, $set, $cycle, $press, $lag),
            $heater,
            $set,
        );

        return $this->say($result, $in, $model);
    }

    private function reaches(PressModel $model, Stack $stack): ?float
    {
        $core = static fn (Stack $s): float => $s->leftSurface() - $model->coreTarget;

        return Crossing::time($stack, PressModel::LIMIT_S, $core);
    }

    /**
     * The platen now, smoothed, and the heater and set-point that the last minutes show.
     *
     * @param  list<array{float, float}>  $heat  time, and heat let into the stack since slide-in, J/m2
     * @return array{float, float, float} °C, kW, °C
     */
    private function shown(
        PlatenTrace $trace,
        array $heat,
        PressModel $model,
        PressCycleInput $cycle,
        HotPressInput $press,
    ): array {
        $end = $trace->last()->t_s;
        $from = max(self::SAG_S, $end - self::LOOK_BACK_S);
        $recent = array_values(array_filter($trace->readings, static fn (PlatenReading $r): bool => $r->t_s >= $from));
        if (count($recent) < self::FEWEST || $end - $recent[0]->t_s < self::SAG_S) {
            return [$trace->last()->platen_c, $press->heater_kw, $cycle->platen_c];
        }
        $from = $recent[0]->t_s;
        // A parabola, so that what is smoothed neither lags nor leads.
        $middle = ($from + $end) / 2;
        $rows = array_map(
            static fn (PlatenReading $r): array => [1.0, $r->t_s - $middle, ($r->t_s - $middle) ** 2],
            $recent,
        );
        $fit = LeastSquares::solve($rows, array_map(static fn (PlatenReading $r): float => $r->platen_c, $recent));
        if ($fit === null) {
            return [$trace->last()->platen_c, $press->heater_kw, $cycle->platen_c];
        }
        $at = static fn (float $t): float => $fit['x'][0] + $fit['x'][1] * ($t - $middle) + $fit['x'][2] * ($t - $middle) ** 2;
        $span = $end - $from;
        $mean = $fit['x'][0] + $fit['x'][2] * $span ** 2 / 12;
        $into = (self::heatAt($heat, $end) - self::heatAt($heat, $from)) * $cycle->areaM2() / 1000;
        $power = ($press->platen_kj_k * ($at($end) - $at($from)) + $into) / $span + $model->lossKw($press, $mean);
        $nominal = PressModel::heaterKw($press, $cycle->platen_c, $mean);
        if ($nominal >= 0.98 * $press->heater_kw) {
            $heater = max(self::HEATER[0] * $press->heater_kw, min(self::HEATER[1] * $press->heater_kw, $power));

            return [$at($end), max($heater, 1.02 * $press->loss_kw), $cycle->platen_c];
        }
        // Within its band the power says how far under its set-point it works: platen + (power − loss)/gain.
        $set = $mean + ($power - $press->loss_kw) * ($cycle->platen_c - $mean) / max(
            $nominal - $press->loss_kw,
            1e-3 * $press->heater_kw,
        );
        $set = abs($nominal - $press->loss_kw) < 0.02 * $press->heater_kw ? $cycle->platen_c : $set;

        return [
            $at($end),
            $press->heater_kw,
            max($cycle->platen_c - self::SET_OFF_K, min($cycle->platen_c + self::SET_OFF_K, $set)),
        ];
    }

    /** @param  list<array{float, float}>  $heat */
    private static function heatAt(array $heat, float $at): float
    {
        $before = $heat[0];
        foreach ($heat as $point) {
            if ($point[0] >= $at) {
                $share = $point[0] - $before[0] > 1e-9 ? ($at - $before[0]) / ($point[0] - $before[0]) : 1.0;

                return $before[1] + $share * ($point[1] - $before[1]);
            }
            $before = $point;
        }

        return $before[1];
    }

    private function because(
        float $platen,
        float $heater,
        float $set,
        PressCycleInput $cycle,
        HotPressInput $press,
        ?float $lag,
    ): string {
        // What would make it early is no reason why it is late, and the other way round.
        $isLate = $lag === null || $lag >= 30;
        $isEarly = $lag !== null && $lag <= -30;
        $why = [];
        if ($cycle->platen_c - $platen > 5 && ! $isEarly) {
            $why[] = sprintf(
                'the platens are at %.0f °C, %.0f under their set-point',
                $platen,
                $cycle->platen_c - $platen,
            );
        }
        $gives = $heater / $press->heater_kw - 1;
        if (abs($gives) > 0.08 && ! ($gives > 0 ? $isLate : $isEarly)) {
            $why[] = sprintf('their heaters give %.1f kW where they should give %.1f', $heater, $press->heater_kw);
        }
        $off = $set - $cycle->platen_c;
        if (abs($off) > 3 && ! ($off > 0 ? $isLate : $isEarly)) {
            $why[] = sprintf('they hold %.0f °C, not %.0f', $set, $cycle->platen_c);
        }
        $moved = match (true) {
            $lag === null => 'It never gets hot enough',
            abs($lag) < 30 => 'It goes as planned',
            $lag > 0 => sprintf('%.0f min late', max(1, $lag / 60)),
            default => sprintf('%.0f min early', max(1, -$lag / 60)),
        };

        return $why === [] ? "{$moved}." : "{$moved}: ".implode(', ', $why).'.';
    }

    private function say(TrackResult $result, TrackInput $in, PressModel $model): TrackResult
    {
        $result->explain(match (true) {
            $result->ready_s === null => sprintf(
                'The middle is at %.0f °C and does not reach %.0f °C with what the heaters give. %s',
                $result->core_now_c,
                $model->coreTarget,
                $result->because,
            ),
            $result->ready_s <= $in->now_s => sprintf(
                'The middle reached %.0f °C after %.1f min. %s',
                $model->coreTarget,
                $result->ready_s / 60,
                $result->because,
            ),
            default => sprintf(
                'The middle is at %.0f °C and reaches %.0f °C in %.1f min. %s',
                $result->core_now_c,
                $model->coreTarget,
                ($result->ready_s - $in->now_s) / 60,
                $result->because,
            ),
        });
        $last = $in->readings[count($in->readings) - 1] ?? null;
        $silent = $last === null ? null : $in->now_s - $last->t_s;
        $result->warn($silent === null ? 'No reading yet: this is the plan.' : null);
        $result->warn(
            $silent !== null && $silent > 120
                ? sprintf('The platens have not been read for %.0f min: from there it is the model\'s.', $silent / 60)
                : null,
        );

        return $result->warn($in->cycle->material->overCeiling($result->surface_now_c, 'The face', $this->polymers));
    }
}
