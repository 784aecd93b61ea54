<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Quality\Normal;

/**
 * What this machine takes against what was foretold, f = actual/predicted, learnt by Bayes on ln f. Before: N(0,
 * prior_sd²). A time that was seen: ln(actual/predicted) ~ N(ln f, sd²). Not ready yet at a time: Φ((ln f −
 * ln(at_least/predicted))/sd); ready by then: Φ((ln(at_most/predicted) − ln f)/sd). The posterior is summed on a grid
 * of ln f; the factor is e to its mean, low and high its 5 and 95 %. (Gelman et al., Bayesian Data Analysis, on normal
 * models and censored data.)
 */
#[Calc('learn.factor', 'what this machine takes, against what was foretold', size: 'observations')]
final readonly class Factor
{
    private const GRID = 4000;

    /** half the width of the grid, in sd of what is known without the censored times */
    private const WIDE = 9.0;

    public function __invoke(FactorInput $in): FactorResult
    {
        [$centre, $sd] = $this->normalPart($in);
        $censored = array_values(array_filter(
            $in->observations,
            static fn (Observation $o): bool => $o->actual === null,
        ));
        // What is censored can pull the mean out of the middle of what the rest says.
        $low = min([
            $centre - self::WIDE * $sd,
            ...array_map(static fn (Observation $o): float => $o->ratio() - 5 * $o->sd, $censored),
        ]);
        $high = max([
            $centre + self::WIDE * $sd,
            ...array_map(static fn (Observation $o): float => $o->ratio() + 5 * $o->sd, $censored),
        ]);
        $step = ($high - $low) / self::GRID;
        $logs = [];
        for ($i = 0; $i <= self::GRID; $i++) {
            $f = $low + $i * $step;
            $log = -0.5 * (($f - $centre) / $sd) ** 2;
            foreach ($censored as $o) {
                $z = ($f - $o->ratio()) / $o->sd;
                $log += Normal::logCdf($o->at_least !== null ? $z : -$z);
            }
            $logs[] = $log;
        }
        $most = max($logs);
        $weights = array_map(static fn (float $log): float => exp($log - $most), $logs);
        $total = array_sum($weights);
        $mean = $sum = 0.0;
        $bounds = [];
        foreach ($weights as $i => $weight) {
            $share = $weight / $total;
            $mean += $share * ($low + $i * $step);
            foreach ([0.05, 0.95] as $quantile) {
                if ($sum < $quantile && $sum + $share >= $quantile) {
                    // The share of a point lies evenly from half a step before it to half a step after.
                    $bounds[] = $low + ($i - 0.5 + ($quantile - $sum) / $share) * $step;
                }
            }
            $sum += $share;
        }
        $result = new FactorResult(
            exp($mean),
            exp($bounds[0] ?? $mean),
            exp($bounds[1] ?? $mean),
            count($in->observations),
        );

        return $this->say($result);
    }

    /** @return array{float, float} mean and sd of ln f by the prior and the times that were seen whole */
    private function normalPart(FactorInput $in): array
    {
        $precision = 1 / $in->prior_sd ** 2;
        $weighted = 0.0;
        foreach ($in->observations as $o) {
            if ($o->actual !== null) {
                $precision += 1 / $o->sd ** 2;
                $weighted += $o->ratio() / $o->sd ** 2;
            }
        }

        return [$weighted / $precision, 1 / sqrt($precision)];
    }

    private function say(FactorResult $result): FactorResult
    {
        if ($result->used === 0) {
            return $result->explain('Nothing is learnt yet: the physics stands as it is.');
        }
        $result->explain(sprintf(
            'Learnt from %d %s: this machine takes %.2f times what the physics says, %.2f to %.2f.',
            $result->used, $result->used === 1 ? 'run' : 'runs', $result->factor, $result->low, $result->high,
        ));

        return $result->warn(
            $result->high / $result->low > 1.5 ? 'That is wide still: a few more runs tell it better.' : null,
        );
    }
}
