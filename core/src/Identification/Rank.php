<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Which polymer an item is, from safe tests: Bayes over data/identification.json (see Belief). Decided at 90 % by at least
 * two kinds of test (94 % while a test is left that tells), a family that they tell apart only weakly together, and never
 * while PVC is more than 2 % likely. The next test is the one
 * with the most expected information (Lindley 1956). Two results disagree when together they are RARE times rarer than
 * chance would have it: log2 P(a,b)/(P(a)P(b)), pointwise mutual information.
 * No burn tests: the fume of PVC is acid and that of several others poisonous, and the flame tells no more than these do.
 */
#[Calc('identify.rank', 'which polymer it is, from what can be seen, felt and floated')]
final readonly class Rank
{
    public const UNKNOWN = 'UNKNOWN';

    private const PVC = 'PVC-U';

    /** No single test decides, however strong: marks are copied, parts are mixed. The liquids are one. */
    private const KINDS = 2;

    /** The bar of 90 % is enough when nothing more can be asked; while a test is left that tells, this is. */
    private const SURE = 0.94;

    private const RARE = 4.0;

    /** A test that tells less than this is not worth the walk, bit. */
    private const WORTH = 0.01;

    /** Standard error of a density by weighing in air and water, g/cm3, where none is stated. */
    private const WEIGHED = 0.008;

    public function __construct(private PolymerLibrary $polymers, private Knowledge $knowledge = new Knowledge)
    {
    }

    public function __invoke(RankInput $in): RankResult
    {
        $this->check($in);
        $priors = $this->knowledge->priors($in->candidates, $in->confirmed);
        $belief = $this->belief($priors, $in->evidence);
        $shares = $belief->probabilities();
        $pvc = $shares[self::PVC] ?? 0.0;
        [$decision, $family] = $this->decide($belief, $in->exclude_tests);
        $next = $decision === self::UNKNOWN ? $this->next($belief, $in->exclude_tests) : null;
        $conflict = $this->conflict($priors, $in->evidence);
        $heatAs = count($family) > 1 ? $this->cooler($family) : null;
        $because = $this->because($decision, $family, $heatAs, $shares, $priors, $in->evidence, $next !== null);
        $ranked = [];
        foreach ($shares as $code => $share) {
            $ranked[] = new Ranked($code, $share);
        }
        $result = (new RankResult($ranked, $decision, $because, $next, $conflict, $family, $heatAs, $pvc))->explain($because);

        return $conflict === null ? $result : $result->warn($conflict->because);
    }

    /**
     * @param  list<string>  $without  tests that cannot be done
     * @return array{string, list<string>} the decision, and the family it was made for
     */
    public function decide(Belief $belief, array $without = []): array
    {
        $shares = $belief->probabilities();
        $first = (string) array_key_first($shares);
        if ($belief->kinds() < self::KINDS || ($first !== self::PVC && ($shares[self::PVC] ?? 0.0) > $this->knowledge->pvcBar)) {
            return [self::UNKNOWN, []];
        }
        $family = array_values(array_filter($this->knowledge->family($first), static fn (string $c): bool => isset($shares[$c])));
        $together = array_sum(array_map(static fn (string $c): float => $shares[$c], $family));
        if ($together < $this->knowledge->acceptAt || ($together < self::SURE && $this->worthMore($belief, $without))) {
            return [self::UNKNOWN, []];
        }

        return [$first, $shares[$first] >= $this->knowledge->acceptAt ? [$first] : $family];
    }

    /** @param  list<string>  $without */
    private function worthMore(Belief $belief, array $without): bool
    {
        return ($belief->next($without)[1] ?? 0.0) >= self::WORTH;
    }

    private function check(RankInput $in): void
    {
        $seen = [];
        foreach ($in->evidence as $i => $evidence) {
            if ($evidence->test !== Knowledge::DENSITY) {
                $test = $this->knowledge->tests[$evidence->test] ?? throw new InputError("evidence.{$i}.test", "there is no test \"{$evidence->test}\"; known: ".implode(', ', [...array_keys($this->knowledge->tests), Knowledge::DENSITY]));
                if (! in_array($evidence->result, $test['results'], true)) {
                    throw new InputError("evidence.{$i}.result", 'must be one of: '.implode(' · ', $test['results']));
                }
            }
            if (isset($seen[$evidence->test])) {
                throw new InputError("evidence.{$i}.test", 'is given twice: take one of them back');
            }
            $seen[$evidence->test] = true;
        }
    }

    /**
     * @param  array<string, float>  $priors
     * @param  list<Evidence>  $evidence
     */
    private function belief(array $priors, array $evidence): Belief
    {
        $belief = new Belief($this->knowledge, $this->polymers, $priors);
        foreach ($evidence as $seen) {
            if ($seen->test === Knowledge::DENSITY) {
                $belief->weigh((float) $seen->g_cm3, $seen->se ?? self::WEIGHED);
            } else {
                $belief->see($seen->test, (string) $seen->result);
            }
        }

        return $belief;
    }

    /** @param  list<string>  $without */
    public function next(Belief $belief, array $without = []): ?NextTest
    {
        $best = $belief->next($without);
        if ($best === null || $best[1] < self::WORTH) {
            return null;
        }
        [$test, $bits] = $best;
        $two = array_slice(array_keys($belief->probabilities()), 0, 2);

        return new NextTest($test, sprintf('It tells most now: %.2f bit to be expected, with %s before %s.', $bits, $two[0], $two[1] ?? 'nothing'), $bits);
    }

    /**
     * @param  array<string, float>  $priors
     * @param  list<Evidence>  $evidence
     */
    private function conflict(array $priors, array $evidence): ?Conflict
    {
        $worst = null;
        foreach ($evidence as $i => $one) {
            foreach (array_slice($evidence, $i + 1) as $other) {
                $rarer = $this->rarer($priors, $one, $other);
                if ($rarer >= self::RARE && ($worst === null || $rarer > $worst->rarer_by)) {
                    $worst = new Conflict([$one->test, $other->test], sprintf('%s and %s disagree: do the less certain one again, on a clean chip.', $this->words($one), $this->words($other)), $rarer);
                }
            }
        }

        return $worst;
    }

    /**
     * P(a)·P(b) / P(a, b); for a density, the densities of probability.
     *
     * @param  array<string, float>  $priors
     */
    private function rarer(array $priors, Evidence $a, Evidence $b): float
    {
        $both = $this->likelihood($priors, [$a, $b]);

        return $both <= 0 ? INF : $this->likelihood($priors, [$a]) * $this->likelihood($priors, [$b]) / $both;
    }

    /**
     * @param  array<string, float>  $priors
     * @param  list<Evidence>  $evidence
     */
    private function likelihood(array $priors, array $evidence): float
    {
        return $this->belief($priors, $evidence)->total();
    }

    /** @param  list<string>  $family */
    private function cooler(array $family): string
    {
        usort($family, fn (string $a, string $b): int => ($this->polymers->get($a)->ceiling() ?? INF) <=> ($this->polymers->get($b)->ceiling() ?? INF));

        return $family[0];
    }

    /**
     * @param  list<string>  $family
     * @param  array<string, float>  $shares
     * @param  array<string, float>  $priors
     * @param  list<Evidence>  $evidence
     */
    private function because(string $decision, array $family, ?string $heatAs, array $shares, array $priors, array $evidence, bool $more): string
    {
        $percent = static fn (float $share): string => $share > 0.995 ? 'over 99 %' : sprintf('%.0f %%', 100 * $share);
        $first = (string) array_key_first($shares);
        $second = array_keys($shares)[1] ?? null;
        if ($evidence === []) {
            return 'Nothing was tested yet.';
        }
        if ($decision === self::UNKNOWN) {
            $why = $first !== self::PVC && ($shares[self::PVC] ?? 0.0) > $this->knowledge->pvcBar
                ? sprintf('PVC is still possible (%s)', $percent($shares[self::PVC]))
                : ($shares[$first] >= $this->knowledge->acceptAt ? sprintf('%s is %s likely, and one more test makes it sure', $first, $percent($shares[$first]))
                : sprintf('%s is %s likely and %d %% are asked for', $first, $percent($shares[$first]), (int) round(100 * $this->knowledge->acceptAt)));

            return "{$why}. ".($more ? 'Test on.' : 'No test is left that would tell: it stays unknown, in its own bin, and never goes hot.');
        }
        $together = array_sum(array_map(static fn (string $c): float => $shares[$c], $family));
        $strongest = $this->strongest($priors, $evidence, $first);
        $text = sprintf('%s, %s', implode(' or ', $family), $percent($together)).($strongest === null ? '' : ": {$strongest} says so most");
        $text .= count($family) > 1 ? sprintf('. These tests hardly tell them apart: keep to the limits of %s, which takes less heat', $heatAs) : '';
        if ($decision === self::PVC) {
            return $text.'. PVC never goes hot here: its own bin, closed.';
        }

        return $text.($second !== null && ! in_array($second, $family, true) && $shares[$second] > 0.01 ? sprintf('; %s %s', $second, $percent($shares[$second])) : '').'.';
    }

    /**
     * @param  array<string, float>  $priors
     * @param  list<Evidence>  $evidence
     */
    private function strongest(array $priors, array $evidence, string $code): ?string
    {
        $best = null;
        foreach ($evidence as $one) {
            $lift = ($this->belief($priors, [$one])->probabilities()[$code] ?? 0.0) / $priors[$code];
            if ($best === null || $lift > $best[1]) {
                $best = [$one, $lift];
            }
        }

        return $best === null || $best[1] <= 1 ? null : $this->words($best[0]);
    }

    private function words(Evidence $evidence): string
    {
        return $evidence->test === Knowledge::DENSITY
            ? sprintf('the density %.3f', $evidence->g_cm3)
            : sprintf('"%s: %s"', lcfirst($this->knowledge->tests[$evidence->test]['name']), $evidence->result);
    }
}
