<?php

declare(strict_types=1);

namespace Dithermic\Core\Numerics;

/** Linear least squares with few unknowns, by the normal equations and Gauss's elimination with pivoting. */
final class LeastSquares
{
    /**
     * @param  list<list<float>>  $rows  what multiplies each unknown
     * @param  list<float>  $values
     * @return array{x: list<float>, error: float}|null the unknowns and the sum of squares left; null when they cannot be told apart
     */
    public static function solve(array $rows, array $values): ?array
    {
        $n = count($rows[0] ?? []);
        $matrix = array_fill(0, $n, array_fill(0, $n + 1, 0.0));
        $square = 0.0;
        foreach ($rows as $i => $row) {
            $square += $values[$i] * $values[$i];
            for ($a = 0; $a < $n; $a++) {
                for ($b = $a; $b < $n; $b++) {
                    $matrix[$a][$b] += $row[$a] * $row[$b];
                }
                $matrix[$a][$n] += $row[$a] * $values[$i];
            }
        }
        $right = array_column($matrix, $n);
        for ($a = 0; $a < $n; $a++) {
            for ($b = 0; $b < $a; $b++) {
                $matrix[$a][$b] = $matrix[$b][$a];
            }
            unset($matrix[$a][$n]);
        }
        $x = self::linear($matrix, $right);
        if ($x === null) {
            return null;
        }
        $explained = 0.0;
        foreach ($x as $a => $value) {
            $explained += $value * $right[$a];
        }

        return ['x' => $x, 'error' => max(0.0, $square - $explained)];
    }

    /**
     * @param  array<int, array<int, float>>  $matrix  square
     * @param  array<int, float>  $right
     * @return list<float>|null null when it has no one answer
     */
    public static function linear(array $matrix, array $right): ?array
    {
        $n = count($right);
        for ($a = 0; $a < $n; $a++) {
            $pivot = $a;
            for ($b = $a + 1; $b < $n; $b++) {
                if (abs($matrix[$b][$a]) > abs($matrix[$pivot][$a])) {
                    $pivot = $b;
                }
            }
            if (abs($matrix[$pivot][$a]) < 1e-12) {
                return null;
            }
            [$matrix[$a], $matrix[$pivot]] = [$matrix[$pivot], $matrix[$a]];
            [$right[$a], $right[$pivot]] = [$right[$pivot], $right[$a]];
            for ($b = $a + 1; $b < $n; $b++) {
                $share = $matrix[$b][$a] / $matrix[$a][$a];
                for ($c = $a; $c < $n; $c++) {
                    $matrix[$b][$c] -= $share * $matrix[$a][$c];
                }
                $right[$b] -= $share * $right[$a];
            }
        }
        $x = array_fill(0, $n, 0.0);
        for ($a = $n - 1; $a >= 0; $a--) {
            $rest = $right[$a];
            for ($b = $a + 1; $b < $n; $b++) {
                $rest -= $matrix[$a][$b] * $x[$b];
            }
            $x[$a] = $rest / $matrix[$a][$a];
        }

        return array_values($x);
    }
}
