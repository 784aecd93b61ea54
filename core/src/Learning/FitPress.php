<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Body;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Press\HotPressInput;
use Dithermic\Core\Heat\Press\PlatenReading;
use Dithermic\Core\Heat\Press\PlatenTrace;
use Dithermic\Core\Heat\Press\PressModel;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Numerics\GaussNewton;
use Dithermic\Core\Numerics\LeastSquares;

/**
 * A press from how its platens sag and recover under ordinary sheets: heater power, heat capacity and idle loss of each
 * platen for which the press model (PressModel) meets the readings best, and of the cold platens how they warm. The
 * heat that each sheet takes is known from the readings themselves, so one run tells heater less loss, and capacity;
 * the loss alone shows only when the platens get back to their set-point, and stays an estimate until then.
 */
#[Calc('fit.press', 'what a press can do, from the readings of ordinary runs', size: 'runs', long: true)]
final readonly class FitPress
{
    /** sd of a thermocouple on a platen with what the model leaves out, K */
    private const READING_SD_K = 1.0;

    /**
     * idle loss as a share of the heater: what is believed before any reading, as ln of share/(1 − share), with its sd
     */
    private const LOSS_BELIEF = [-1.4, 0.8];

    private const NORMAL_95 = 1.645;

    /** K that the model may be off the readings and still be planned by */
    private const GOOD_RMS_K = 3.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(FitPressInput $in): FitPressResult
    {
        $models = [];
        foreach ($in->runs as $i => $run) {
            $models[] = Within::of(
                "runs.{$i}.input",
                fn (): PressModel => new PressModel($run->input, $this->polymers),
            );
        }
        $start = $this->guess($in, $models);
        $beliefs = [[$start[0], 1.0], [$start[1], 1.0], self::LOSS_BELIEF];
        $hot = GaussNewton::fit(
            fn (array $x): array => $this->misses($in, $models, self::press($x)),
            $beliefs,
            [$start[0], $start[1], self::LOSS_BELIEF[0]],
        );
        $numbers = static fn (float $by): HotPressInput => self::press(array_map(
            static fn (float $x, float $sd): float => $x + $by * $sd,
            $hot['x'],
            $hot['sd'],
        ));
        [$mid, $low, $high] = [$numbers(0.0), $numbers(-self::NORMAL_95), $numbers(self::NORMAL_95)];
        $press = new PressNumbers(
            $mid->heater_kw, $mid->platen_kj_k, $mid->loss_kw,
            new PressBound($low->heater_kw, $low->platen_kj_k, $low->loss_kw),
            new PressBound($high->heater_kw, $high->platen_kj_k, $high->loss_kw),
        );
        $rms = self::READING_SD_K * sqrt(
            array_sum(array_map(static fn (float $r): float => $r * $r, $hot['residuals'])) / count($hot['residuals']),
        );
        $missing = $this->missing($in, $hot['sd'], $rms);
        $result = new FitPressResult(
            $press,
            $this->cold($in, $models),
            $rms,
            $hot['sd'][0] < 0.15 && $hot['sd'][1] < 0.15 && $rms < self::GOOD_RMS_K,
            $missing,
        );

        return $result->explain(sprintf(
            'Learnt from %d %s: each platen has %.1f kW and takes up %.0f kJ for each kelvin; the model meets the readings within %.1f K.',
            count($in->runs), count($in->runs) === 1 ? 'run' : 'runs', $mid->heater_kw, $mid->platen_kj_k, $rms,
        ))->warn(
            $result->enough
                ? null
                : 'That is not enough to plan by yet: '.(
                    $missing[0] ?? 'press another sheet with the platens read'
                ).'.',
        );
    }

    /** @param  list<float>  $x  ln kW, ln kJ/K, and the loss's share of the heater as ln of share/(1 − share) */
    private static function press(array $x): HotPressInput
    {
        $heater = exp(max(-6.0, min(6.0, $x[0])));
        $share = 1 / (1 + exp(-max(-8.0, min(3.0, $x[2]))));

        return new HotPressInput($heater, exp(max(-3.0, min(9.0, $x[1]))), $share * $heater);
    }

    /**
     * Where to begin: while the heater is flat out, T − T₀ = (heater − loss)·t/capacity − heat given/capacity, which is
     * linear.
     *
     * @param  list<PressModel>  $models
     * @return array{float, float} ln kW and ln kJ/K
     */
    private function guess(FitPressInput $in, array $models): array
    {
        $rows = [];
        $values = [];
        foreach ($in->runs as $i => $run) {
            $trace = new PlatenTrace($run->readings, $run->input->platen_c);
            $stack = $models[$i]->coldStack();
            $face = $models[$i]->follow($stack, $trace->readings[0]->platen_c);
            foreach ($trace->readings as $k => $reading) {
                $next = $trace->readings[$k + 1] ?? null;
                if ($next === null) {
                    break;
                }
                $face->temperature = ($reading->platen_c + $next->platen_c) / 2;
                $stack->run($next->t_s);
                if ($next->platen_c < $run->input->platen_c - 6) {
                    $rows[] = [$next->t_s, -$stack->energyRight * $run->input->areaM2() / 1000];
                    $values[] = $next->platen_c - $run->input->platen_c;
                }
            }
        }
        $fit = count($rows) < 4 ? null : LeastSquares::solve($rows, $values);
        if ($fit === null || $fit['x'][1] <= 0 || $fit['x'][0] <= 0) {
            return [log(2.0), log(20.0)];
        }

        return [log(1.25 * $fit['x'][0] / $fit['x'][1]), log(1 / $fit['x'][1])];
    }

    /**
     * @param  list<PressModel>  $models
     * @return list<float> over the sd of a reading
     */
    private function misses(FitPressInput $in, array $models, HotPressInput $press): array
    {
        $misses = [];
        foreach ($in->runs as $i => $run) {
            $stack = $models[$i]->coldStack();
            $body = $models[$i]->platenAt($run->input->platen_c, $press, $run->input->platen_c);
            $stack->meet($body);
            array_push($misses, ...self::along($stack, $body, $run->readings, 0.0));
        }

        return $misses;
    }

    /**
     * @param  list<PlatenReading>  $readings
     * @return list<float>
     */
    private static function along(Stack $stack, Body $body, array $readings, float $from): array
    {
        $misses = [];
        foreach ($readings as $reading) {
            $stack->run($from + $reading->t_s);
            $misses[] = ($body->temperature - $reading->platen_c) / self::READING_SD_K;
        }

        return $misses;
    }

    /** @param  list<PressModel>  $models */
    private function cold(FitPressInput $in, array $models): ?ColdPressNumbers
    {
        $hot = [];
        foreach ($in->runs as $i => $run) {
            if ($run->cold_readings !== null && $run->cold_readings !== []) {
                $trace = new PlatenTrace($run->readings, $run->input->platen_c);
                $stack = $models[$i]->coldStack();
                $trace->drive($stack, $models[$i]->follow($stack, $trace->readings[0]->platen_c), 0.0, INF);
                $hot[$i] = $stack;
            }
        }
        if ($hot === []) {
            return null;
        }
        $first = $in->runs[array_key_first($hot)]->input->cold_press;
        $coolant = $first->coolant_c ?? 20.0;
        $residuals = static function (array $x) use ($in, $models, $hot, $coolant): array {
            $misses = [];
            foreach ($hot as $i => $stack) {
                $run = $in->runs[$i];
                $cooling = clone $stack;
                $body = $models[$i]->coldPlatenAt(
                    $run->input->cold_platen_c,
                    exp(min(9.0, $x[0])),
                    exp(min(9.0, $x[1])),
                    $coolant,
                );
                $cooling->meet($body);
                array_push($misses, ...self::along($cooling, $body, $run->cold_readings ?? [], $cooling->time));
            }

            return $misses;
        };
        $fit = GaussNewton::fit($residuals, [[log(20.0), 1.5], [log(15.0), 1.5]], [log(20.0), log(15.0)]);
        $numbers = static fn (float $by): array => [
            exp($fit['x'][0] + $by * $fit['sd'][0]),
            exp($fit['x'][1] + $by * $fit['sd'][1]),
            $coolant,
        ];

        return new ColdPressNumbers(...[
            ...$numbers(0.0),
            new ColdPressBound(...$numbers(-self::NORMAL_95)),
            new ColdPressBound(...$numbers(self::NORMAL_95)),
        ]);
    }

    /**
     * @param  list<float>  $sd
     * @return list<string>
     */
    private function missing(FitPressInput $in, array $sd, float $rms): array
    {
        $missing = [];
        $back = false;
        foreach ($in->runs as $run) {
            $back = $back || $run->readings[count($run->readings) - 1]->platen_c > $run->input->platen_c - 4;
        }
        if ($rms >= self::GOOD_RMS_K) {
            $missing[] = 'the readings do not fit one press: look where the sensor sits, and whether both platens were read';
        }
        if ($sd[0] >= 0.15 || $sd[1] >= 0.15) {
            $missing[] = 'press a thick sheet with a reading every half minute';
        }
        if (! $back) {
            $missing[] = 'read on until the platens are back at their set-point: their idle loss is a guess until then';
        }
        if (count($in->runs) === 1) {
            $missing[] = 'one more run, of another thickness';
        }

        return $missing;
    }
}
