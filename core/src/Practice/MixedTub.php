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
 * A simulated tub of mixed items, sorted by asking identify.rank's questions one after the other. Most items are drawn
 * from a table of the tub's own: identification.json with every likelihood off by up to a factor, so that the sorting
 * is judged in a world that is not quite the table. A share of them must never go hot: half of these are the table's
 * own, the other half are kinds that it does not know (see Stranger). The liquids see one density for each item.
 */
final readonly class MixedTub
{
    /** share of thermosets, filled and vinyl items */
    public const NEVER_HOT = 0.05;

    /** Standard error of an Archimedes density, g/cm3. */
    private const DENSITY_ERROR = 0.008;

    /** Share of dips whose error is their own. */
    private const OWN_ERROR = 0.3;

    private const LIQUID_G_CM3 = ['alcohol_0_93' => 0.93, 'water' => 1.0, 'salt_1_20' => 1.2];

    private Rank $rank;

    private Knowledge $knowledge;

    public function __construct(private PolymerLibrary $polymers = new PolymerLibrary)
    {
        $this->knowledge = new Knowledge;
        $this->rank = new Rank($polymers, $this->knowledge);
    }

    /**
     * @param  float  $factor  every likelihood is off by up to this factor either way; 1 is the table itself
     * @param  bool  $scale  each item is weighed in air and water first
     * @param  float  $neverHot  share of items that must stay cold
     */
    public function sort(
        int $items,
        float $factor,
        bool $scale,
        int $seed,
        float $neverHot = self::NEVER_HOT,
    ): SortingScore {
        $random = new Randomizer(new Mt19937($seed));
        $world = $this->world($factor, $random);
        $priors = $this->knowledge->priors();
        $cold = array_intersect_key($priors, array_flip($this->knowledge->neverHot));
        $sound = array_diff_key($priors, $cold);
        $strangers = Stranger::kinds();
        $decided = $right = $hot = 0;
        $tests = [];
        for ($i = 0; $i < $items; $i++) {
            $which = self::unit($random);
            $stranger = $which < $neverHot / 2
                ? $strangers[(int) self::draw(
                    array_map(static fn (Stranger $s): float => $s->weight, $strangers),
                    $random,
                )] : null;
            $truth = $stranger->truth ?? self::draw($which < $neverHot ? $cold : $sound, $random);
            $belief = new Belief($this->knowledge, $this->polymers, $priors);
            $quantile = self::unit($random);
            $density = $this->density($truth, $stranger, $quantile);
            $asked = 0;
            if ($scale) {
                $belief->weigh(max(0.5, $density + self::DENSITY_ERROR * self::normal($random)), self::DENSITY_ERROR);
                $asked++;
            }
            do {
                $decision = $this->rank->decide($belief);
                $next = $decision->isMade() ? null : $this->rank->next($belief);
                if ($next !== null) {
                    $belief->see($next->test, $stranger === null
                        ? $this->seen($world, $next->test, $truth, $quantile, $random)
                        : self::seenOf($stranger, $next->test, $density, $random));
                    $asked++;
                }
            } while ($next !== null);
            $tests[] = $asked;
            if ($decision->isMade()) {
                $decided++;
                $right += (int) in_array($truth, $this->knowledge->family($decision->code), true);
                $hot += (int) in_array($truth, $this->knowledge->neverHot, true);
            }
        }
        sort($tests);

        return new SortingScore(
            $decided / $items,
            $decided === 0 ? 0.0 : $right / $decided,
            $decided === 0 ? 0.0 : $hot / $decided,
            $tests[intdiv($items, 2)],
        );
    }

    private function density(string $truth, ?Stranger $stranger, float $quantile): float
    {
        if ($stranger !== null) {
            return $stranger->lightest_g_cm3 + ($stranger->heaviest_g_cm3 - $stranger->lightest_g_cm3) * $quantile;
        }
        foreach ($this->knowledge->densities($truth, $this->polymers) as [$from, $to, $share]) {
            if ($quantile <= $share) {
                return $from + ($to - $from) * ($share > 0 ? $quantile / $share : 0.0);
            }
            $quantile -= $share;
        }

        return $to ?? 1.0;
    }

    /** @return array<string, array<string, array<string, float>>> likelihoods by test and polymer */
    private function world(float $factor, Randomizer $random): array
    {
        $world = [];
        foreach ($this->knowledge->tests as $id => $test) {
            foreach ($test['likelihood'] as $code => $row) {
                $row = array_map(static fn (float $p): float => $p * $factor ** (2 * self::unit($random) - 1), $row);
                $sum = array_sum($row);
                $world[$id][$code] = array_map(static fn (float $p): float => $p / $sum, $row);
            }
        }

        return $world;
    }

    private static function seenOf(Stranger $stranger, string $test, float $density, Randomizer $random): string
    {
        return isset(self::LIQUID_G_CM3[$test])
            ? $stranger->dip($density, self::LIQUID_G_CM3[$test], $random)
            : self::draw($stranger->seen($test), $random);
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

    /** @param  array<array-key, float>  $shares */
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
