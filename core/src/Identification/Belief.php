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

    /** @param  array<string, float>  $priors */
    public function __construct(private readonly Knowledge $knowledge, private readonly PolymerLibrary $polymers, array $priors)
    {
        $this->weights = $priors;
    }

    public function see(string $test, string $result): void
    {
        $this->weights = $this->weighed($test, $result);
        if (in_array($test, Knowledge::LIQUIDS, true)) {
            $this->dipped[$test] = $result;
        }
        $this->done[] = $test;
    }

    public function weigh(float $density, float $error): void
    {
        foreach ($this->weights as $code => $weight) {
            $range = $this->polymers->get($code)->record['density_solid_g_cm3'];
            $width = max(1e-6, $range['max'] - $range['min']);
            $fits = (Normal::tail(($density - $range['max']) / $error) - Normal::tail(($density - $range['min']) / $error)) / $width;
            $this->weights[$code] = $weight * ((1 - self::GROSS) * $fits + self::GROSS / (self::ANYWHERE[1] - self::ANYWHERE[0]));
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
            if (in_array($id, $this->done, true) || in_array($id, $without, true)) {
                continue;
            }
            $bits = $this->information($id);
            if ($best === null || $bits > $best[1] + 1e-9 || (abs($bits - $best[1]) <= 1e-9 && $test['minutes'] < $this->knowledge->tests[$best[0]]['minutes'])) {
                $best = [$id, $bits];
            }
        }

        return $best;
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
