<?php

declare(strict_types=1);

namespace Dithermic\Core\Numerics;

/**
 * Least squares with few unknowns of a model that is not linear: Gauss and Newton's steps with Levenberg's and
 * Marquardt's damping, the slopes by differences. Every unknown is held by a belief of its own, a normal of given mean
 * and sd, so that what the data do not tell stays where it was and says how little is known (a maximum a posteriori).
 */
final class GaussNewton
{
    private const ROUNDS = 12;

    private const STEP = 0.01;

    /** a move smaller than this, in sd of the belief, is none */
    private const SETTLED = 2e-3;

    /**
     * @param  callable(list<float>): list<float>  $residuals  of the data, each over its own sd, at such unknowns
     * @param  list<array{float, float}>  $beliefs  mean and sd of each unknown
     * @param  list<float>  $start
     * @return array{x: list<float>, sd: list<float>, residuals: list<float>}
     */
    public static function fit(callable $residuals, array $beliefs, array $start): array
    {
        $n = count($start);
        $x = $start;
        $now = $residuals($x);
        $cost = self::cost($now, $x, $beliefs);
        $damping = 1e-2;
        $normal = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            [$normal, $gradient] = self::normal($residuals, $x, $now, $beliefs);
            $moved = false;
            for ($try = 0; $try < 6; $try++) {
                $damped = $normal;
                for ($a = 0; $a < $n; $a++) {
                    $damped[$a][$a] *= 1 + $damping;
                }
                $move = LeastSquares::linear($damped, $gradient);
                if ($move === null) {
                    break;
                }
                $next = array_map(static fn (float $value, float $by): float => $value - $by, $x, $move);
                $then = $residuals($next);
                $costThen = self::cost($then, $next, $beliefs);
                if ($costThen < $cost) {
                    $far = max([
                        0.0,
                        ...array_map(
                            static fn (float $by, array $belief): float => abs($by) / $belief[1],
                            $move,
                            $beliefs,
                        ),
                    ]);
                    [$x, $now, $cost] = [$next, $then, $costThen];
                    $damping = max(1e-6, $damping / 5);
                    $moved = $far > self::SETTLED;
                    break;
                }
                $damping *= 6;
            }
            if (! $moved) {
                break;
            }
        }
        $sd = [];
        for ($a = 0; $a < $n; $a++) {
            $unit = array_fill(0, $n, 0.0);
            $unit[$a] = 1.0;
            $column = LeastSquares::linear($normal, $unit);
            $sd[] = sqrt(max(0.0, $column[$a] ?? $beliefs[$a][1] ** 2));
        }

        return ['x' => $x, 'sd' => $sd, 'residuals' => $now];
    }

    /**
     * @param  callable(list<float>): list<float>  $residuals
     * @param  list<float>  $x
     * @param  list<float>  $now
     * @param  list<array{float, float}>  $beliefs
     * @return array{list<list<float>>, list<float>}
     */
    private static function normal(callable $residuals, array $x, array $now, array $beliefs): array
    {
        $n = count($x);
        $slopes = [];
        for ($a = 0; $a < $n; $a++) {
            $moved = $x;
            $moved[$a] += self::STEP;
            $slopes[] = array_map(
                static fn (float $then, float $before): float => ($then - $before) / self::STEP,
                $residuals(array_values($moved)),
                $now,
            );
        }
        $normal = array_fill(0, $n, array_fill(0, $n, 0.0));
        $gradient = array_fill(0, $n, 0.0);
        for ($a = 0; $a < $n; $a++) {
            for ($b = 0; $b < $n; $b++) {
                $normal[$a][$b] = array_sum(array_map(
                    static fn (float $p, float $q): float => $p * $q,
                    $slopes[$a],
                    $slopes[$b],
                ));
            }
            $gradient[$a] = array_sum(array_map(static fn (float $p, float $q): float => $p * $q, $slopes[$a], $now));
            [$mean, $sd] = $beliefs[$a];
            $normal[$a][$a] += 1 / $sd ** 2;
            $gradient[$a] += ($x[$a] - $mean) / $sd ** 2;
        }

        return [array_values(array_map(array_values(...), $normal)), array_values($gradient)];
    }

    /**
     * @param  list<float>  $residuals
     * @param  list<float>  $x
     * @param  list<array{float, float}>  $beliefs
     */
    private static function cost(array $residuals, array $x, array $beliefs): float
    {
        $cost = 0.0;
        foreach ($residuals as $r) {
            $cost += $r * $r;
        }
        foreach ($x as $a => $value) {
            $cost += (($value - $beliefs[$a][0]) / $beliefs[$a][1]) ** 2;
        }

        return is_finite($cost) ? $cost : INF;
    }
}
