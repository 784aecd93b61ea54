<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;

/**
 * Shewhart charts (ISO 7870-2): individuals and moving range, means and ranges, share of rejects. Limits at 3σ with
 * σ = mean range / d2. Rules: one beyond 3σ; 2 of 3 beyond 2σ; 4 of 5 beyond 1σ; 8 on a side. A rule is broken at the
 * point that completes it, itself in the zone, all on one side. Constants d2, d3 of the range of 2 to 10 normal values.
 */
#[Calc('quality.control_chart', 'is the process steady')]
final class ControlChart
{
    public function __invoke(ControlChartInput $in): ControlChartResult
    {
        return match ($in->kind) {
            ChartKind::Individuals => self::individuals($in->data),
            ChartKind::Subgroups => self::subgroups($in->data),
            ChartKind::Rejects => self::rejects($in->data),
        };
    }

    private const D2 = [2 => 1.128379, 1.692569, 2.058751, 2.325929, 2.534413, 2.704357, 2.847201, 2.970026, 3.077505];

    private const D3 = [2 => 0.852502, 0.888368, 0.879808, 0.864082, 0.848040, 0.833205, 0.819831, 0.807834, 0.797051];

    /** @param  list<mixed>  $data */
    private static function individuals(array $data): ControlChartResult
    {
        $values = self::numbers($data, 'data');
        $ranges = [];
        for ($i = 1; $i < count($values); $i++) {
            $ranges[] = abs($values[$i] - $values[$i - 1]);
        }
        $mean = array_sum($values) / count($values);
        $range = array_sum($ranges) / count($ranges);
        $sigma = $range / self::D2[2];

        return self::answer(
            $mean,
            $sigma,
            self::rangeChart($range, 2),
            self::constants(2),
            $values,
            array_fill(0, count($values), $sigma),
            $mean + 3 * $sigma,
            $mean - 3 * $sigma,
        );
    }

    /** @param  list<mixed>  $data */
    private static function subgroups(array $data): ControlChartResult
    {
        $size = is_array($data[0]) ? count($data[0]) : 0;
        if ($size < 2 || $size > 10) {
            throw new InputError('data.0', 'must be a subgroup of 2 to 10 numbers');
        }
        $means = [];
        $ranges = [];
        foreach ($data as $i => $group) {
            if (! is_array($group) || count($group) !== $size) {
                throw new InputError("data.{$i}", "must hold {$size} numbers like the first");
            }
            $values = self::numbers(array_values($group), "data.{$i}");
            $means[] = array_sum($values) / $size;
            $ranges[] = max($values) - min($values);
        }
        $mean = array_sum($means) / count($means);
        $range = array_sum($ranges) / count($ranges);
        $sigma = $range / self::D2[$size] / sqrt($size);

        return self::answer(
            $mean,
            $sigma,
            self::rangeChart($range, $size),
            self::constants($size),
            $means,
            array_fill(0, count($means), $sigma),
            $mean + 3 * $sigma,
            $mean - 3 * $sigma,
        );
    }

    /** @param  list<mixed>  $data */
    private static function rejects(array $data): ControlChartResult
    {
        $made = $bad = [];
        foreach ($data as $i => $lot) {
            $n = is_array($lot) ? ($lot['n'] ?? null) : null;
            $d = is_array($lot) ? ($lot['defective'] ?? null) : null;
            if (! is_numeric($n) || is_string($n) || floor((float) $n) !== (float) $n || $n < 1) {
                throw new InputError("data.{$i}.n", 'must be a whole number of at least 1');
            }
            if (! is_numeric($d) || is_string($d) || floor((float) $d) !== (float) $d || $d < 0 || $d > $n) {
                throw new InputError("data.{$i}.defective", 'must be a whole number from 0 to n');
            }
            $made[] = (float) $n;
            $bad[] = (float) $d;
        }
        $p = array_sum($bad) / array_sum($made);
        $spread = static fn (float $n): float => sqrt($p * (1 - $p) / $n);
        $sigma = $spread(array_sum($made) / count($made));

        return self::answer(
            $p,
            $sigma,
            null,
            null,
            array_map(static fn (float $d, float $n): float => $d / $n, $bad, $made),
            array_map($spread, $made),
            min(1.0, $p + 3 * $sigma),
            max(0.0, $p - 3 * $sigma),
        );
    }

    /**
     * @param  list<float>  $values
     * @param  list<float>  $sigmas
     */
    private static function answer(
        float $centre,
        float $sigma,
        ?ChartLimits $range,
        ?ChartConstants $constants,
        array $values,
        array $sigmas,
        float $ucl,
        float $lcl,
    ): ControlChartResult {
        $z = array_map(static fn (float $v, float $s): float => $s > 0 ? ($v - $centre) / $s : 0.0, $values, $sigmas);
        $points = [];
        foreach ($z as $i => $now) {
            $rules = [];
            if (abs($now) > 3) {
                $rules[] = 'beyond_3s';
            }
            foreach ([
                ['2of3_2s', 2, 3, 2.0],
                ['4of5_1s', 4, 5, 1.0],
                ['8_side', 8, 8, 0.0],
            ] as [$rule, $need, $of, $zone]) {
                $side = $now <=> 0.0;
                $last = array_slice($z, max(0, $i - $of + 1), min($of, $i + 1));
                if (
                    $side !== 0
                    && $side * $now > $zone
                    && count(array_filter($last, static fn (float $x): bool => $side * $x > $zone)) >= $need
                ) {
                    $rules[] = $rule;
                }
            }
            if ($rules !== []) {
                $points[] = new BrokenPoint($i, $values[$i], $rules);
            }
        }

        return (new ControlChartResult($centre, $ucl, $lcl, $range, $constants, $points))
            ->explain(
                $points === []
                    ? 'Steady: nothing but chance.'
                    : sprintf(
                        '%d of %d points ask for a cause; the first is number %d.',
                        count($points),
                        count($values),
                        $points[0]->index + 1,
                    ),
            )
            ->warn(count($values) < 20 ? 'Fewer than 20 points: the limits are rough.' : null);
    }

    private static function rangeChart(float $mean, int $n): ChartLimits
    {
        $c = self::constants($n);

        return new ChartLimits($mean, $mean * $c->D4, $mean * $c->D3);
    }

    private static function constants(int $n): ChartConstants
    {
        $spread = 3 * self::D3[$n] / self::D2[$n];

        return new ChartConstants(3 / (self::D2[$n] * sqrt($n)), max(0.0, 1 - $spread), 1 + $spread, self::D2[$n]);
    }

    /**
     * @param  list<mixed>  $data
     * @return non-empty-list<float>
     */
    private static function numbers(array $data, string $field): array
    {
        $numbers = [];
        foreach ($data as $i => $value) {
            if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || abs((float) $value) > 1e12) {
                throw new InputError("{$field}.{$i}", 'must be a finite number');
            }
            $numbers[] = (float) $value;
        }

        return $numbers === [] ? throw new InputError($field, 'is empty') : $numbers;
    }
}
