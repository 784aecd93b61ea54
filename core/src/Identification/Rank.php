<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Which polymer an item is, from safe tests: Bayes over data/identification.json (see Belief). Decided at 90 % by at
 * least two kinds of test (94 % while a test is left that tells), a family that they tell apart only weakly together.
 * Never while what must not be heated (PVC hard and soft, and whatever is none of the polymers) is more than 1 %
 * likely, and for the polymers that it is easily taken for, not before a test that tells these apart has spoken: priors
 * alone do not acquit. What is most likely never heated stays UNKNOWN. The next test is the one with the most expected
 * information (Lindley
 * 1956), or the one that separates. Two results disagree when together they are RARE times rarer than
 * chance would have it: log2 P(a,b)/(P(a)P(b)), pointwise mutual information. No burn tests: the fume of PVC is acid
 * and that of several others poisonous, and the flame tells no more than these do.
 */
#[Calc('identify.rank', 'which polymer it is, from what can be seen, felt and floated')]
final readonly class Rank
{
    public const UNKNOWN = 'UNKNOWN';

    /** No single test decides, however strong: marks are copied, parts are mixed. The liquids are one. */
    private const KINDS = 2;

    /** The bar of 90 % is enough when nothing more can be asked; while a test is left that tells, this is. */
    private const SURE = 0.94;

    /**
     * The likelihoods may be off by a factor of two, and things that are none of the polymers come in kinds that the
     * table does not know: the bar for what is never heated is held with this much in hand.
     */
    private const MARGIN = 2.5;

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
        // Leaving what is never heated out of the candidates does not acquit it.
        $judge = $in->candidates === [] ? $belief
            : $this->belief(
                $this->knowledge->priors(
                    array_values(array_unique([...$in->candidates, ...$this->knowledge->neverHot])),
                    $in->confirmed,
                ),
                $in->evidence,
            );
        $decision = $this->decide($judge, $in->exclude_tests);
        $next = $decision->isMade() ? null : $this->next($judge, $in->exclude_tests);
        $conflict = $this->conflict($priors, $in->evidence);
        $heatAs = count($decision->family) > 1 ? $this->cooler($decision->family) : null;
        $because = $decision->isMade()
            ? $this->reasons($decision->family, $heatAs, $shares, $priors, $in->evidence)
            : $this->doubts($decision, $in->evidence, $next !== null);
        $ranked = [];
        foreach ($shares as $code => $share) {
            $ranked[] = new Ranked($code, $share);
        }
        $result = (new RankResult(
            $ranked,
            $decision->code,
            $because,
            $next,
            $conflict,
            $decision->family,
            $heatAs,
            $this->neverHot($judge->probabilities()),
        ))->explain($because);

        return $conflict === null ? $result : $result->warn($conflict->because);
    }

    /** @param  list<string>  $without  tests that cannot be done */
    public function decide(Belief $belief, array $without = []): Decision
    {
        $shares = $belief->probabilities();
        $first = (string) array_key_first($shares);
        $family = array_values(array_filter(
            $this->knowledge->family($first),
            static fn (string $c): bool => isset($shares[$c]),
        ));
        $together = array_sum(array_map(static fn (string $c): float => $shares[$c], $family));
        $bar = $this->knowledge->acceptAt;
        $unknown = static fn (
            string $because,
            ?string $obstacle = null,
        ): Decision => new Decision(self::UNKNOWN, [], $because, $obstacle);
        if (in_array($first, $this->knowledge->neverHot, true)) {
            return $unknown(
                sprintf(
                    'most likely %s (%s): it never goes hot here, it goes into its own bin',
                    self::matter($first),
                    self::percent($shares[$first]),
                ),
                $first,
            );
        }
        $never = array_intersect_key($shares, array_flip($this->knowledge->neverHot));
        $worst = array_key_first($never);
        if ($this->neverHot($shares) > $this->knowledge->neverHotBar / self::MARGIN) {
            return $unknown(
                sprintf(
                    '%s is still possible (%s)',
                    self::matter((string) $worst),
                    self::percent($this->neverHot($shares)),
                ),
                $worst,
            );
        }
        if ($belief->kinds() < self::KINDS) {
            return $unknown('one kind of test alone does not decide');
        }
        if ($together < $bar) {
            return $unknown(sprintf(
                '%s is %s likely and %d %% are asked for',
                $first,
                self::percent($shares[$first]),
                (int) round(100 * $bar),
            ));
        }
        $alike = $this->notSeparated($belief, $shares[$first] >= $bar ? [$first] : $family, $never);
        if ($alike !== null) {
            return $unknown(
                sprintf(
                    '%s is %s likely, and no test yet has told it from %s, which looks like it',
                    $first,
                    self::percent($together),
                    self::matter($alike),
                ),
                $alike,
            );
        }
        if ($together < self::SURE && ($belief->next($without)[1] ?? 0.0) >= self::WORTH) {
            return $unknown(sprintf(
                '%s is %s likely, and one more test makes it sure',
                $first,
                self::percent($shares[$first]),
            ));
        }

        return new Decision($first, $shares[$first] >= $bar ? [$first] : $family);
    }

    /**
     * What is never heated and still in play, from which the separating tests have not told a look-alike.
     *
     * @param  list<string>  $family
     * @param  array<string, float>  $never  shares, the largest first
     */
    private function notSeparated(Belief $belief, array $family, array $never): ?string
    {
        foreach (array_intersect($family, $this->knowledge->lookAlikes) as $code) {
            foreach ($never as $other => $share) {
                if (
                    $share > $this->knowledge->separateAgainst
                    && $belief->separation($code, $other) < $this->knowledge->separateRatio
                ) {
                    return $other;
                }
            }
        }

        return null;
    }

    /** @param  array<string, float>  $shares */
    private function neverHot(array $shares): float
    {
        return array_sum(array_intersect_key($shares, array_flip($this->knowledge->neverHot)));
    }

    /** What is never heated, in words. */
    private static function matter(string $code): string
    {
        return match ($code) {
            'PVC-U' => 'PVC',
            'PVC-P' => 'soft PVC',
            'OTHER' => 'something that is none of these (thermoset, filled, laminated)',
            default => $code
        };
    }

    private static function percent(float $share): string
    {
        return match (true) {
            $share > 0.995 => 'over 99 %',
            $share < 0.095 => sprintf('%.1f %%', 100 * $share),
            default => sprintf('%.0f %%', 100 * $share),
        };
    }

    private function check(RankInput $in): void
    {
        $seen = [];
        foreach ($in->evidence as $i => $evidence) {
            if ($evidence->test !== Knowledge::DENSITY) {
                $test = $this->knowledge->tests[$evidence->test] ?? throw new InputError(
                    "evidence.{$i}.test",
                    "there is no test \"{$evidence->test}\"; known: ".implode(
                        ', ',
                        [...array_keys($this->knowledge->tests), Knowledge::DENSITY],
                    ),
                );
                if (! in_array($evidence->result, $test['results'], true)) {
                    throw new InputError("evidence.{$i}.result", 'must be one of: '.implode(' · ', $test['results']));
                }
            }
            if (isset($seen[$evidence->test])) {
                throw new InputError("evidence.{$i}.test", 'is given twice: take one of them back');
            }
            $seen[$evidence->test] = true;
        }
        $kind = null;
        foreach ($in->evidence as $evidence) {
            $kind = $evidence->test === Knowledge::KIND ? $evidence->result : $kind;
        }
        foreach ($in->evidence as $i => $evidence) {
            if (
                $kind !== null
                && $evidence->test !== Knowledge::DENSITY
                && ! $this->knowledge->suits($evidence->test, $kind)
            ) {
                throw new InputError("evidence.{$i}.test", "is not for this kind of item ({$kind}): take it back");
            }
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
        $shares = $belief->probabilities();
        $two = array_slice(array_keys($shares), 0, 2);
        $obstacle = $this->decide($belief, $without)->obstacle;
        $first = $two[0];
        $separator = $obstacle === null || $obstacle === $first
            ? null
            : $belief->separator($first, $obstacle, $without);
        $apart = $separator === null || $separator[1] < self::WORTH ? null
            : new NextTest(
                $separator[0],
                sprintf('It tells %s from %s.', $first, self::matter((string) $obstacle)),
                $belief->information($separator[0]),
            );
        if ($apart !== null && $shares[$first] >= $this->knowledge->acceptAt) {
            return $apart;
        }
        $best = $belief->next($without);

        return $best === null || $best[1] < self::WORTH
            ? $apart : new NextTest(
                $best[0],
                sprintf('It tells most now: %s and %s lead.', $two[0], $two[1] ?? 'nothing'),
                $best[1],
            );
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
                    $worst = new Conflict(
                        [$one->test, $other->test],
                        sprintf(
                            '%s and %s disagree: do the less certain one again, on a clean chip.',
                            $this->words($one),
                            $this->words($other),
                        ),
                        $rarer,
                    );
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
        usort(
            $family,
            fn (string $a, string $b): int => (
                $this->polymers->get($a)->ceiling() ?? INF
            ) <=> ($this->polymers->get($b)->ceiling() ?? INF),
        );

        return $family[0];
    }

    /** @param  list<Evidence>  $evidence */
    private function doubts(Decision $decision, array $evidence, bool $more): string
    {
        return $evidence === [] ? 'Nothing was tested yet.' : ucfirst($decision->because).'. '
            .(
                $more
                    ? 'Test on.'
                    : 'No test is left that would tell: it stays unknown, in its own bin, and never goes hot.'
            );
    }

    /**
     * @param  list<string>  $family
     * @param  array<string, float>  $shares
     * @param  array<string, float>  $priors
     * @param  list<Evidence>  $evidence
     */
    private function reasons(array $family, ?string $heatAs, array $shares, array $priors, array $evidence): string
    {
        $first = (string) array_key_first($shares);
        $second = array_keys($shares)[1] ?? null;
        $together = array_sum(array_map(static fn (string $c): float => $shares[$c], $family));
        $strongest = $this->strongest($priors, $evidence, $first);
        $text = sprintf(
            '%s, %s',
            implode(' or ', $family),
            self::percent($together),
        ).($strongest === null ? '' : ": {$strongest} says so most");
        $text .= count($family) > 1
            ? sprintf('. These tests hardly tell them apart: keep to the limits of %s, which takes less heat', $heatAs)
            : '';

        return $text.(
            $second !== null && ! in_array($second, $family, true) && $shares[$second] > 0.01
                ? sprintf('; %s %s', $second, self::percent($shares[$second]))
                : ''
        ).'.';
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
