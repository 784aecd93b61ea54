<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Numerics\LeastSquares;

/**
 * The window as it was run: how likely a good piece is over two settings.
 *
 * Logistic regression on the settings, their squares and their product (a window has an upper and a lower edge), each
 * setting less its mean in units of its spread, weights N(0, sd²) about the base rate (Gelman et al., A weakly
 * informative default prior for logistic regression, Ann. Appl. Stat. 2, 2008, on the use of such priors); its mode by
 * Newton's method, its spread by Laplace, what it says of a piece by MacKay's σ(μ/√(1 + πs²/8)) (Neural Computation 4,
 * 1992). Pieces of a run are alike: n of them count as n/(1 + (n − 1)ρ) (the design effect of Kish, Survey Sampling,
 * 1965). What is said of a run by the others is had from one fit, by a Newton step that leaves it out (Rad and Maleki,
 * J. R. Stat. Soc. B 82, 2020). Under eight runs nothing is drawn, and nothing where it would be surer of itself than
 * of any run.
 */
#[Calc('learn.window', 'the window as it was run: how likely a good piece is', size: 'runs')]
final readonly class Window
{
    private const LEAST_RUNS = 8;

    /** how alike pieces of one run are, 0 to 1 */
    private const ALIKE = 0.1;

    /** sd of the prior: of the middle, of a setting, of squares and the product, in ln of odds */
    private const PRIOR_SD = [2.0, 1.0, 1.0, 0.7, 0.7, 0.7];

    /** room about what was run, of its width */
    private const ROOM = 0.12;

    /** how much less sure than of any run, and still drawn */
    private const UNSURE = 1.25;

    /** 10 and 90 % of the normal */
    private const Z_80 = 1.2816;

    private const NEWTON = 60;

    public function __invoke(WindowInput $in): WindowResult
    {
        $good = array_sum(array_map(static fn (WindowRun $r): int => $r->good, $in->runs));
        $bad = array_sum(array_map(static fn (WindowRun $r): int => $r->bad, $in->runs));
        $rate = ($good + 1) / ($good + $bad + 2);
        [$left, $right] = self::edges($in->runs, 'x', $in->x_planned);
        [$bottom, $top] = self::edges($in->runs, 'y', $in->y_planned);
        $edges = [$left, $right, $bottom, $top];
        if (count($in->runs) < self::LEAST_RUNS) {
            return (new WindowResult(
                count($in->runs),
                $good,
                $bad,
                $rate,
                null,
                null,
                false,
                ...$edges,
                drawn: [],
                planned: null,
            ))
                ->explain(sprintf(
                    '%d of the %d runs that it takes: nothing is drawn from fewer.',
                    count($in->runs),
                    self::LEAST_RUNS,
                ));
        }
        $x = self::scale(array_map(static fn (WindowRun $r): float => $r->x, $in->runs));
        $y = self::scale(array_map(static fn (WindowRun $r): float => $r->y, $in->runs));
        $rows = array_map(static fn (WindowRun $r): array => self::terms($r->x, $r->y, $x, $y), $in->runs);
        $weights = array_map(
            static fn (WindowRun $r): float => $r->pieces() / (1 + ($r->pieces() - 1) * self::ALIKE),
            $in->runs,
        );
        $shares = array_map(static fn (WindowRun $r): float => $r->share(), $in->runs);
        $middle = log($rate / (1 - $rate));
        [$mode, $spread] = self::fit($rows, $weights, $shares, $middle);
        [$brier, $base, $sure] = self::leftOut($rows, $weights, $shares, $mode, $spread);
        $least = self::UNSURE * max(array_map(
            static fn (array $row): float => self::variance($row, $spread),
            $rows,
        ));

        $drawn = [];
        foreach (self::middles($bottom, $top, $in->side) as $v) {
            foreach (self::middles($left, $right, $in->side) as $u) {
                $row = self::terms($u, $v, $x, $y);
                if (self::variance($row, $spread) <= $least) {
                    $drawn[] = new WindowSquare($u, $v, self::probability($row, $mode, $spread));
                }
            }
        }
        $planned = $in->x_planned === null || $in->y_planned === null
            ? null
            : self::terms($in->x_planned, $in->y_planned, $x, $y);

        $result = new WindowResult(
            count($in->runs), $good, $bad, $rate, $brier, $base, $base - $brier > $sure, $left, $right, $bottom, $top,
            $drawn,
            $planned === null || self::variance($planned, $spread) > $least
                ? null
                : self::point($planned, $mode, $spread),
        );

        return $this->say($result, $planned !== null);
    }

    private function say(WindowResult $result, bool $asked): WindowResult
    {
        $result->explain(sprintf(
            'From %d runs, %d good and %d bad pieces. %s (error %.3f against %.3f by the base rate).',
            $result->runs,
            $result->good,
            $result->bad,
            $result->tells
                ? 'These settings tell good from bad better than the base rate does'
                : 'These settings tell no more than the base rate: look for the cause elsewhere',
            $result->brier,
            $result->base_brier,
        ));
        $result->warn($result->bad === 0 ? 'Nothing ever failed: where the edge is cannot be known.' : null);

        return $result->warn(
            $asked && $result->planned === null ? 'What is planned is away from everything that was run.' : null,
        );
    }

    /**
     * @param  list<float>  $values
     * @return array{float, float} mean and spread; a setting that was never moved has none
     */
    private static function scale(array $values): array
    {
        $mean = array_sum($values) / count($values);
        $square = array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values)) / count($values);
        $sd = sqrt($square);

        return [$mean, $sd > 1e-9 * max(1.0, abs($mean)) ? $sd : 0.0];
    }

    /**
     * @param  array{float, float}  $x
     * @param  array{float, float}  $y
     * @return list<float>
     */
    private static function terms(float $at, float $and, array $x, array $y): array
    {
        $u = $x[1] > 0.0 ? ($at - $x[0]) / $x[1] : 0.0;
        $v = $y[1] > 0.0 ? ($and - $y[0]) / $y[1] : 0.0;

        return [1.0, $u, $v, $u * $u, $v * $v, $u * $v];
    }

    /**
     * The mode of the posterior, and the inverse of its curvature there.
     *
     * @param  list<list<float>>  $rows
     * @param  list<float>  $weights
     * @param  list<float>  $shares
     * @return array{list<float>, list<list<float>>}
     */
    private static function fit(array $rows, array $weights, array $shares, float $middle): array
    {
        $n = count(self::PRIOR_SD);
        $prior = array_map(static fn (float $sd): float => 1 / $sd ** 2, self::PRIOR_SD);
        $before = [$middle, ...array_fill(0, $n - 1, 0.0)];
        $mode = $before;
        for ($turn = 0; $turn < self::NEWTON; $turn++) {
            [$slope, $curve] = self::derivatives($rows, $weights, $shares, $mode, $before, $prior);
            $step = LeastSquares::linear($curve, $slope);
            assert($step !== null);
            // Newton's step is cut where it would jump over the mode: the sum is concave, so a short one always climbs.
            $longest = max([0.0, ...array_map(abs(...), $step)]);
            $cut = $longest > 1.0 ? 1.0 / $longest : 1.0;
            foreach ($step as $i => $by) {
                $mode[$i] += $cut * $by;
            }
            if ($longest < 1e-10) {
                break;
            }
        }
        [, $curve] = self::derivatives($rows, $weights, $shares, $mode, $before, $prior);
        $spread = [];
        for ($i = 0; $i < $n; $i++) {
            $unit = array_fill(0, $n, 0.0);
            $unit[$i] = 1.0;
            $spread[] = LeastSquares::linear($curve, $unit) ?? $unit;
        }

        return [array_values($mode), $spread];
    }

    /**
     * Slope of the log posterior and its curvature, with its sign turned.
     *
     * @param  list<list<float>>  $rows
     * @param  list<float>  $weights
     * @param  list<float>  $shares
     * @param  array<int, float>  $at
     * @param  list<float>  $before
     * @param  list<float>  $prior
     * @return array{array<int, float>, array<int, array<int, float>>}
     */
    private static function derivatives(
        array $rows,
        array $weights,
        array $shares,
        array $at,
        array $before,
        array $prior,
    ): array {
        $n = count($prior);
        $slope = [];
        $curve = array_fill(0, $n, array_fill(0, $n, 0.0));
        foreach ($prior as $i => $precision) {
            $slope[$i] = -$precision * ($at[$i] - $before[$i]);
            $curve[$i][$i] = $precision;
        }
        foreach ($rows as $k => $row) {
            $p = self::logistic(self::dot($row, $at));
            $pull = $weights[$k] * ($shares[$k] - $p);
            $bend = $weights[$k] * $p * (1 - $p);
            for ($i = 0; $i < $n; $i++) {
                $slope[$i] += $pull * $row[$i];
                for ($j = 0; $j < $n; $j++) {
                    $curve[$i][$j] += $bend * $row[$i] * $row[$j];
                }
            }
        }

        return [$slope, $curve];
    }

    /**
     * Mean square errors of what the other runs say of each, by the settings and by the base rate, and the standard
     * error of their difference: what is less than that is chance.
     *
     * @param  list<list<float>>  $rows
     * @param  list<float>  $weights
     * @param  list<float>  $shares
     * @param  list<float>  $mode
     * @param  list<list<float>>  $spread
     * @return array{float, float, float}
     */
    private static function leftOut(array $rows, array $weights, array $shares, array $mode, array $spread): array
    {
        $all = array_sum($weights);
        $came = 0.0;
        foreach ($weights as $k => $weight) {
            $came += $weight * $shares[$k];
        }
        $error = $base = $square = 0.0;
        foreach ($rows as $k => $row) {
            $mean = self::dot($row, $mode);
            $p = self::logistic($mean);
            $variance = self::variance($row, $spread);
            $bend = $weights[$k] * $p * (1 - $p);
            $left = max(1e-9, 1 - $bend * $variance);
            $without = $mean - $variance * $weights[$k] * ($shares[$k] - $p) / $left;
            $rate = ($came - $weights[$k] * $shares[$k] + 1) / ($all - $weights[$k] + 2);
            $bySettings = self::brier(self::moderated($without, $variance / $left), $shares[$k]);
            $byRate = self::brier($rate, $shares[$k]);
            $error += $weights[$k] * $bySettings;
            $base += $weights[$k] * $byRate;
            $square += ($weights[$k] * ($byRate - $bySettings)) ** 2;
        }
        $spreadOfMean = max(0.0, $square - ($base - $error) ** 2 / count($rows));

        return [$error / $all, $base / $all, sqrt($spreadOfMean) / $all];
    }

    /** Mean of (p − 1)² over the good pieces and p² over the bad. */
    private static function brier(float $p, float $share): float
    {
        return $share * (1 - $p) ** 2 + (1 - $share) * $p ** 2;
    }

    /**
     * @param  list<WindowRun>  $runs
     * @param  'x'|'y'  $of
     * @return array{float, float} what was run and is planned, with some room
     */
    private static function edges(array $runs, string $of, ?float $planned): array
    {
        $values = array_map(static fn (WindowRun $r): float => $r->{$of}, $runs);
        $values[] = $planned ?? $values[0] ?? 0.0;
        $width = max($values) - min($values);
        $room = $width > 0.0 ? self::ROOM * $width : max(1.0, 0.02 * abs($values[0]));

        return [min($values) - $room, max($values) + $room];
    }

    /** @return list<float> */
    private static function middles(float $low, float $high, int $many): array
    {
        $step = ($high - $low) / $many;

        return array_map(static fn (int $i): float => $low + ($i + 0.5) * $step, range(0, $many - 1));
    }

    /**
     * @param  list<float>  $row
     * @param  list<float>  $mode
     * @param  list<list<float>>  $spread
     */
    private static function point(array $row, array $mode, array $spread): WindowPoint
    {
        $mean = self::dot($row, $mode);
        $sd = sqrt(self::variance($row, $spread));

        return new WindowPoint(
            self::probability($row, $mode, $spread),
            self::logistic($mean - self::Z_80 * $sd),
            self::logistic($mean + self::Z_80 * $sd),
        );
    }

    /**
     * @param  list<float>  $row
     * @param  list<float>  $mode
     * @param  list<list<float>>  $spread
     */
    private static function probability(array $row, array $mode, array $spread): float
    {
        return self::moderated(self::dot($row, $mode), self::variance($row, $spread));
    }

    /** The mean of the logistic over a normal. */
    private static function moderated(float $mean, float $variance): float
    {
        return self::logistic($mean / sqrt(1 + M_PI * $variance / 8));
    }

    private static function logistic(float $z): float
    {
        return $z >= 0 ? 1 / (1 + exp(-$z)) : exp($z) / (1 + exp($z));
    }

    /**
     * @param  list<float>  $row
     * @param  list<list<float>>  $spread
     */
    private static function variance(array $row, array $spread): float
    {
        return max(0.0, self::dot($row, array_map(static fn (array $s): float => self::dot($row, $s), $spread)));
    }

    /**
     * @param  list<float>  $row
     * @param  array<int, float>  $by
     */
    private static function dot(array $row, array $by): float
    {
        $sum = 0.0;
        foreach ($row as $i => $value) {
            $sum += $value * $by[$i];
        }

        return $sum;
    }
}
