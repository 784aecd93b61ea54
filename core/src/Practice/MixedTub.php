<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Identification\Belief;
use Dithermic\Core\Identification\Knowledge;
use Dithermic\Core\Identification\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A simulated tub of mixed items, sorted by asking identify.rank's questions one after the other. Items and what is seen
 * of them are drawn from identification.json, or from a copy whose likelihoods are off by up to a share, so that the
 * sorting is judged in a world that is not quite the table. The liquids see one density for each item.
 */
final readonly class MixedTub
{
    /** Standard error of an Archimedes density, g/cm3. */
    private const DENSITY_ERROR = 0.008;

    /** Share of dips whose error is their own. */
    private const OWN_ERROR = 0.3;

    private Rank $rank;

    private Knowledge $knowledge;

    public function __construct(private PolymerLibrary $polymers = new PolymerLibrary)
    {
        $this->knowledge = new Knowledge;
        $this->rank = new Rank($polymers, $this->knowledge);
    }

    public function sort(int $items, float $disturbed, bool $scale, int $seed): SortingScore
    {
        $random = new Randomizer(new Mt19937($seed));
        $world = $this->world($disturbed, $random);
        $priors = $this->knowledge->priors();
        $decided = $right = $pvc = 0;
        $tests = [];
        for ($i = 0; $i < $items; $i++) {
            $truth = self::draw($priors, $random);
            $belief = new Belief($this->knowledge, $this->polymers, $priors);
            $quantile = self::unit($random);
            $asked = 0;
            if ($scale) {
                $range = $this->polymers->get($truth)->record['density_solid_g_cm3'];
                $belief->weigh($range['min'] + ($range['max'] - $range['min']) * self::unit($random) + self::DENSITY_ERROR * self::normal($random), self::DENSITY_ERROR);
                $asked++;
            }
            do {
                [$decision] = $this->rank->decide($belief);
                $next = $decision === Rank::UNKNOWN ? $this->rank->next($belief) : null;
                if ($next !== null) {
                    $belief->see($next->test, $this->seen($world, $next->test, $truth, $quantile, $random));
                    $asked++;
                }
            } while ($next !== null);
            $tests[] = $asked;
            if ($decision !== Rank::UNKNOWN) {
                $decided++;
                $right += (int) in_array($truth, $this->knowledge->family($decision), true);
                $pvc += (int) ($truth === 'PVC-U' && $decision !== 'PVC-U');
            }
        }
        sort($tests);

        return new SortingScore($decided / $items, $decided === 0 ? 0.0 : $right / $decided, $pvc / $items, $tests[intdiv($items, 2)]);
    }

    /** @return array<string, array<string, array<string, float>>> likelihoods by test and polymer */
    private function world(float $disturbed, Randomizer $random): array
    {
        $world = [];
        foreach ($this->knowledge->tests as $id => $test) {
            foreach ($test['likelihood'] as $code => $row) {
                $row = array_map(static fn (float $p): float => $p * (1 + $disturbed * (2 * self::unit($random) - 1)), $row);
                $sum = array_sum($row);
                $world[$id][$code] = array_map(static fn (float $p): float => $p / $sum, $row);
            }
        }

        return $world;
    }

    /** @param  array<string, array<string, array<string, float>>>  $world */
    private function seen(array $world, string $test, string $truth, float $quantile, Randomizer $random): string
    {
        $row = $world[$test][$truth];
        if (! in_array($test, Knowledge::LIQUIDS, true) || self::unit($random) < self::OWN_ERROR) {
            return self::draw($row, $random);
        }

        return match (true) {
            $quantile < $row['floats'] => 'floats',
            $quantile < $row['floats'] + $row['hovers'] => 'hovers',
            default => 'sinks',
        };
    }

    /** @param  array<string, float>  $shares */
    private static function draw(array $shares, Randomizer $random): string
    {
        $left = self::unit($random) * array_sum($shares);
        foreach ($shares as $name => $share) {
            $left -= $share;
            if ($left < 0) {
                return (string) $name;
            }
        }

        return (string) array_key_last($shares);
    }

    /** Uniform on [0, 1). */
    private static function unit(Randomizer $random): float
    {
        return $random->getInt(0, (1 << 30) - 1) / (1 << 30);
    }

    private static function normal(Randomizer $random): float
    {
        return sqrt(-2 * log(1 - self::unit($random))) * cos(2 * M_PI * self::unit($random));
    }
}
