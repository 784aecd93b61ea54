<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;

/**
 * Tilt and bow of a sheet from thicknesses over a grid: ordinary least squares of
 * t = a + bx·x + by·y + c·(x² + y²) about the middle of the points' x and y ranges, by the normal equations on
 * coordinates scaled to the farthest point (so that a far origin costs no digits). Fewer than six points, or all on
 * one circle, carry no bow and are fitted with a plane.
 */
#[Calc('quality.thickness_grid', 'tilt, bow and evenness of a sheet from measured thicknesses')]
final class ThicknessGrid
{
    /** of a sheet as it is drawn: its length runs to the right, its width comes to the front */
    private const SIDES = ['x' => ['left', 'right'], 'y' => ['back', 'front']];

    /** tilt across the sheet, or bow, worth acting on: this share of the tolerance */
    public const WORTH_MENDING = 0.25;

    public function __invoke(ThicknessGridInput $in): ThicknessGridResult
    {
        if ($in->points === []) {
            throw new InputError('points', 'measure at least three');
        }
        $xs = array_map(static fn (ThicknessPoint $p): float => $p->x_mm, $in->points);
        $ys = array_map(static fn (ThicknessPoint $p): float => $p->y_mm, $in->points);
        $ts = array_map(static fn (ThicknessPoint $p): float => $p->t_mm, $in->points);
        $cx = (min($xs) + max($xs)) / 2;
        $cy = (min($ys) + max($ys)) / 2;
        $radius = 0.0;
        foreach ($xs as $i => $x) {
            $radius = max($radius, hypot($x - $cx, $ys[$i] - $cy));
        }
        if ($radius <= 0) {
            throw new InputError('points', 'all lie on one spot: measure over the sheet');
        }
        $rows = [];
        foreach ($xs as $i => $x) {
            $u = ($x - $cx) / $radius;
            $v = ($ys[$i] - $cy) / $radius;
            $rows[] = [1.0, $u, $v, $u * $u + $v * $v];
        }
        $rings = array_column($rows, 3);
        $bowed = count($rows) >= 6 && max($rings) - min($rings) > 1e-6;
        $fit = $bowed ? self::leastSquares($rows, $ts, 4) : null;
        $bowed = $fit !== null;
        $fit ??= self::leastSquares($rows, $ts, 3)
            ?? throw new InputError('points', 'lie on one line and make no plane: measure across the sheet as well');

        $squares = 0.0;
        foreach ($rows as $i => $row) {
            $model = 0.0;
            foreach ($fit as $k => $coefficient) {
                $model += $coefficient * $row[$k];
            }
            $squares += ($ts[$i] - $model) ** 2;
        }
        $slope = new Slope(1000 * $fit[1] / $radius, 1000 * $fit[2] / $radius);
        $bow = $bowed ? -$fit[3] : null;
        $range = max($ts) - min($ts);
        $verdict = $range <= $in->tolerance_mm + 1e-9 ? 'ok' : 'uneven';
        $low = ($slope->x >= 0 ? 'x-' : 'x+').($slope->y >= 0 ? 'y-' : 'y+');
        $mean = array_sum($ts) / count($ts);

        $result = new ThicknessGridResult(
            min($ts), max($ts), $mean, $range, $verdict, $slope, $bow, sqrt($squares / count($ts)), $low,
            self::advice($slope, $bow, max($xs) - min($xs), max($ys) - min($ys), $in->tolerance_mm),
        );
        $result->explain(sprintf('%.2f to %.2f mm, %s the allowed %.2f mm; mean %.2f mm against %.2f mm wanted.',
            min($ts), max($ts), $verdict === 'ok' ? 'within' : 'over', $in->tolerance_mm, $mean, $in->nominal_mm));
        if (abs($mean - $in->nominal_mm) > 0.05 * $in->nominal_mm) {
            $result->warn(sprintf(
                'The mean is %+.0f %% off the wanted thickness: check the charge.',
                100 * ($mean / $in->nominal_mm - 1),
            ));
        }

        return $result;
    }

    /** @return list<string> */
    private static function advice(Slope $slope, ?float $bow, float $spanX, float $spanY, float $tolerance): array
    {
        $advice = [];
        foreach (['x' => [$slope->x, $spanX], 'y' => [$slope->y, $spanY]] as $axis => [$perMetre, $span]) {
            $tilt = $perMetre * $span / 1000;
            if (abs($tilt) > self::WORTH_MENDING * $tolerance) {
                $advice[] = sprintf(
                    'Shim %.1f mm under the lower platen at its %s side (%s%s): the sheet is %.1f mm thicker there.',
                    abs($tilt),
                    self::SIDES[$axis][$tilt > 0 ? 1 : 0],
                    $tilt > 0 ? '+' : '−',
                    $axis,
                    abs($tilt),
                );
            }
        }
        if ($bow !== null && $bow < -self::WORTH_MENDING * $tolerance) {
            $advice[] = sprintf(
                'The centre is %.1f mm thin: the platens bow when their faces differ in temperature. Let them soak closed longer, or fit a thicker plate.',
                -$bow,
            );
        }
        if ($bow !== null && $bow > self::WORTH_MENDING * $tolerance) {
            $advice[] = sprintf(
                'The centre is %.1f mm thick: the platens bend under the load, or too little was spread into the corners. Spread more outward.',
                $bow,
            );
        }

        return $advice;
    }

    /**
     * Normal equations with Gaussian elimination and partial pivoting; null when the points do not carry the terms.
     *
     * @param  list<list<float>>  $rows
     * @param  list<float>  $ts
     * @return list<float>|null
     */
    private static function leastSquares(array $rows, array $ts, int $terms): ?array
    {
        $a = array_fill(0, $terms, array_fill(0, $terms + 1, 0.0));
        foreach ($rows as $r => $row) {
            for ($i = 0; $i < $terms; $i++) {
                for ($j = 0; $j < $terms; $j++) {
                    $a[$i][$j] += $row[$i] * $row[$j];
                }
                $a[$i][$terms] += $row[$i] * $ts[$r];
            }
        }
        for ($i = 0; $i < $terms; $i++) {
            $pivot = $i;
            for ($r = $i + 1; $r < $terms; $r++) {
                $pivot = abs($a[$r][$i]) > abs($a[$pivot][$i]) ? $r : $pivot;
            }
            if (abs($a[$pivot][$i]) < 1e-9 * count($rows)) {
                return null;
            }
            [$a[$i], $a[$pivot]] = [$a[$pivot], $a[$i]];
            for ($r = 0; $r < $terms; $r++) {
                if ($r !== $i) {
                    $factor = $a[$r][$i] / $a[$i][$i];
                    for ($c = $i; $c <= $terms; $c++) {
                        $a[$r][$c] -= $factor * $a[$i][$c];
                    }
                }
            }
        }
        $x = [];
        for ($i = 0; $i < $terms; $i++) {
            $x[] = $a[$i][$terms] / $a[$i][$i];
        }

        return $x;
    }
}
