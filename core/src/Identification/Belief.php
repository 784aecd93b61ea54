<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Quality\Normal;

/**
 * Probability of each polymer given what was seen, by Bayes. Given the polymer the tests are independent, but for the
 * three liquids, which look at one density. A polymer's apparent density D has a distribution whose steps at the three
 * liquids are the table's; a result in one liquid is a stretch of D's quantiles, and results in several are the stretch
 * common to all (one measured interval). INDEPENDENT of the errors belong to one dip alone (a bubble), the rest go with
 * the chip (a hole, a filler). With one liquid this is the table itself.
 * A weighed density x with standard error s: the polymer's range smeared by the error,
 * p(x) = [Φ((x − min)/s) − Φ((x − max)/s)] / (max − min), with GROSS of weighings wrong altogether.
 */
final class Belief
{
    private const INDEPENDENT = 0.3;

    private const GROSS = 0.02;

    /** Wrong weighings fall anywhere in here, g/cm3. */
    private const ANYWHERE = [0.8, 1.6];

    /** @var array<string, float> */
    private array $weights;

    /** @var array<string, string> liquid => result */
    private array $dipped = [];

    /** @var list<string> tests done */
    private array $done = [];

    private ?string $kind = null;

    /** The tests that separate look-alikes from what is never heated, alone and without priors. */
    private ?self $separation = null;

    /** @param  array<string, float>  $priors */
    public function __construct(
        private readonly Knowledge $knowledge,
        private readonly PolymerLibrary $polymers,
        array $priors,
        bool $all = true,
    ) {
        $this->weights = $priors;
        if ($all) {
            $this->separation = new self($knowledge, $polymers, array_fill_keys(array_keys($priors), 1.0), false);
        }
    }

    public function __clone()
    {
        $this->separation = $this->separation === null ? null : clone $this->separation;
    }

    public function see(string $test, string $result): void
    {
        $this->weights = $this->weighed($test, $result);
        if (in_array($test, Knowledge::LIQUIDS, true)) {
            $this->dipped[$test] = $result;
        }
        if ($test === Knowledge::KIND) {
            $this->kind = $result;
        }
        $this->done[] = $test;
        if ($this->knowledge->separates($test)) {
            $this->separation?->see($test, $result);
        }
    }

    public function weigh(float $density, float $error): void
    {
        if ($this->knowledge->separates(Knowledge::DENSITY)) {
            $this->separation?->weigh($density, $error);
        }
        foreach ($this->weights as $code => $weight) {
            $fits = 0.0;
            foreach ($this->knowledge->densities($code, $this->polymers) as [$from, $to, $share]) {
                $fits += $share * (
                    Normal::tail(($density - $to) / $error) - Normal::tail(($density - $from) / $error)
                ) / ($to - $from);
            }
            $this->weights[$code] = $weight * (
                (1 - self::GROSS) * $fits + self::GROSS / (self::ANYWHERE[1] - self::ANYWHERE[0])
            );
        }
        $this->done[] = Knowledge::DENSITY;
    }

    /** @return array<string, float> summing to 1, most probable first */
    public function probabilities(): array
    {
        $sum = array_sum($this->weights);
        $shares = array_map(static fn (float $w): float => $w / $sum, $this->weights);
        arsort($shares);

        return $shares;
    }

    /**
     * What the next test may be expected to tell, bits: the entropy now less the mean entropy after it.
     *
     * @param  list<string>  $without  tests that cannot be done
     * @return array{string, float}|null the test that tells most; the quicker of two that tell the same
     */
    public function next(array $without): ?array
    {
        $best = null;
        foreach ($this->knowledge->tests as $id => $test) {
            if (! $this->canAsk($id, $without)) {
                continue;
            }
            $bits = $this->information($id);
            if (
                $best === null
                || $bits > $best[1] + 1e-9
                || (abs($bits - $best[1]) <= 1e-9 && $test['minutes'] < $this->knowledge->tests[$best[0]]['minutes'])
            ) {
                $best = [$id, $bits];
            }
        }

        return $best;
    }

    /** How many times likelier the separating tests alone make one polymer than another. */
    public function separation(string $code, string $from): float
    {
        $weights = $this->separation->weights ?? [];

        return ($weights[$from] ?? 0.0) > 0 ? ($weights[$code] ?? 0.0) / $weights[$from] : INF;
    }

    /**
     * The separating test that may be expected to tell one polymer from another best, when it is the one: the largest
     * relative entropy of its results (Kullback & Leibler 1951).
     *
     * @param  list<string>  $without  tests that cannot be done
     * @return array{string, float}|null the test, and bits
     */
    public function separator(string $code, string $from, array $without): ?array
    {
        $best = null;
        foreach ($this->knowledge->tests as $id => $test) {
            if (! $this->knowledge->separates($id) || ! $this->canAsk($id, $without)) {
                continue;
            }
            $bits = 0.0;
            foreach ($test['likelihood'][$code] as $result => $p) {
                $bits += $p > 0 ? $p * log($p / max(1e-9, $test['likelihood'][$from][$result]), 2) : 0.0;
            }
            if ($best === null || $bits > $best[1]) {
                $best = [$id, $bits];
            }
        }

        return $best;
    }

    /** @param  list<string>  $without  tests that cannot be done */
    public function canAsk(string $test, array $without = []): bool
    {
        return ! in_array(
            $test,
            $this->done,
            true,
        ) && ! in_array($test, $without, true) && $this->knowledge->suits($test, $this->kind);
    }

    public function information(string $test): float
    {
        $all = array_sum($this->weights);
        $after = 0.0;
        foreach ($this->knowledge->tests[$test]['results'] as $result) {
            $weights = $this->weighed($test, $result);
            $sum = array_sum($weights);
            $after += $sum / $all * self::entropy($weights, $sum);
        }

        return max(0.0, self::entropy($this->weights, $all) - $after);
    }

    /** Tests that looked at different things; the liquids are one. */
    public function kinds(): int
    {
        return count($this->done) - max(0, count($this->dipped) - 1);
    }

    /** How likely all that was seen was beforehand (for a weighing: the density of probability). */
    public function total(): float
    {
        return array_sum($this->weights);
    }

    /** @return array<string, float> */
    private function weighed(string $test, string $result): array
    {
        $table = $this->knowledge->tests[$test]['likelihood'];
        $weights = [];
        $liquid = $this->dipped !== [] && in_array($test, Knowledge::LIQUIDS, true);
        foreach ($this->weights as $code => $weight) {
            $weights[$code] = $weight * ($liquid
                ? $this->liquids($code, $this->dipped + [$test => $result]) / $this->liquids($code, $this->dipped)
                : $table[$code][$result]);
        }

        return $weights;
    }

    /** @param  non-empty-array<string, string>  $results  by liquid */
    private function liquids(string $code, array $results): float
    {
        $low = 0.0;
        $high = 1.0;
        $apart = 1.0;
        foreach ($results as $liquid => $result) {
            $table = $this->knowledge->tests[$liquid]['likelihood'][$code];
            [$from, $to] = match ($result) {
                'floats' => [0.0, $table['floats']],
                'hovers' => [$table['floats'], $table['floats'] + $table['hovers']],
                default => [$table['floats'] + $table['hovers'], 1.0],
            };
            $low = max($low, $from);
            $high = min($high, $to);
            $apart *= $table[$result];
        }
        if (count($results) === 1) {
            return $apart;
        }

        return (1 - self::INDEPENDENT) * max(0.0, $high - $low) + self::INDEPENDENT * $apart;
    }

    /** @param  array<string, float>  $weights */
    private static function entropy(array $weights, float $sum): float
    {
        $bits = 0.0;
        foreach ($weights as $weight) {
            if ($weight > 0) {
                $bits -= $weight / $sum * log($weight / $sum, 2);
            }
        }

        return $bits;
    }
}
