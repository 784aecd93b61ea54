<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * What is known of the sorting tests (data/identification.json): priors, likelihoods P(result | polymer), bars and
 * families.
 *
 * @phpstan-type Test array{id: string, name: string, how: string, results: list<string>, minutes: float|int,
 *     caution: ?string, likelihood: array<string, array<string, float>>, only_for?: list<string>|null}
 * @phpstan-type File array{tests: list<Test>, priors: array<string, float>, decision: array{
 *     families: list<list<string>>, accept_at: float|int, refuse_when_never_hot_above: float|int,
 *     never_hot: list<string>,
 *     separate: array{codes: list<string>, by: list<string>, ratio: float|int, against_over: float|int}}}
 */
final class Knowledge
{
    /** The tests that float a chip; all three look at one density. In the order of that density. */
    public const LIQUIDS = ['alcohol_0_93', 'water', 'salt_1_20'];

    public const DENSITY = 'density';

    /** The test that says what the item was; some others are for some kinds only. */
    public const KIND = 'item_kind';

    /** The shop's own confirmed items are laid over the table as if it stood for this many. */
    private const TABLE_ITEMS = 200;

    /** @var array<string, Test> */
    public readonly array $tests;

    /** @var array<string, float> */
    private readonly array $priors;

    /** @var list<list<string>> polymers that may be decided together */
    public readonly array $families;

    public readonly float $acceptAt;

    /** no more than this may be any of what is never heated */
    public readonly float $neverHotBar;

    /** @var list<string> never decided as material for heat: what is most likely one of them stays unknown */
    public readonly array $neverHot;

    /** @var list<string> easily taken for one of those: a test that separates is asked for first */
    public readonly array $lookAlikes;

    /** @var list<string> tests that separate */
    private readonly array $separating;

    /** how many times likelier these tests together must make it than each of them */
    public readonly float $separateRatio;

    /** one that holds less than this needs no separating */
    public readonly float $separateAgainst;

    /** What something else than a polymer of the library may weigh, g/cm3: foams and wood-filled to metal-filled. */
    private const OTHER_DENSITY = [0.80, 2.20];

    /** @param  File|null  $data  the file's contents; read when not given */
    public function __construct(?array $data = null)
    {
        $data ??= self::read();
        $this->tests = array_column($data['tests'], null, 'id');
        $this->priors = $data['priors'];
        $this->families = $data['decision']['families'];
        $this->acceptAt = (float) $data['decision']['accept_at'];
        $this->neverHotBar = (float) $data['decision']['refuse_when_never_hot_above'];
        $this->neverHot = $data['decision']['never_hot'];
        $separate = $data['decision']['separate'];
        $this->lookAlikes = $separate['codes'];
        $this->separating = $separate['by'];
        $this->separateRatio = (float) $separate['ratio'];
        $this->separateAgainst = (float) $separate['against_over'];
    }

    /** @return File as core/data/identification.schema.json and a test hold it */
    private static function read(): array
    {
        /** @var File */
        return Record::file(__DIR__.'/../../data/identification.json')->of;
    }

    /**
     * Before any test: the table's shares, re-weighted by what the shop has confirmed.
     *
     * @param  list<string>  $candidates  empty: all
     * @param  array<string, int>  $confirmed  items by polymer
     * @return array<string, float> summing to 1
     */
    public function priors(array $candidates = [], array $confirmed = []): array
    {
        foreach ([...$candidates, ...array_keys($confirmed)] as $code) {
            if (! isset($this->priors[$code])) {
                throw new InputError(
                    in_array($code, $candidates, true) ? 'candidates' : "confirmed.{$code}",
                    "nothing is known to tell \"{$code}\" by; known: ".implode(', ', array_keys($this->priors)),
                );
            }
        }
        $shares = [];
        foreach ($this->priors as $code => $share) {
            if ($candidates === [] || in_array($code, $candidates, true)) {
                $shares[$code] = $share * self::TABLE_ITEMS + ($confirmed[$code] ?? 0);
            }
        }
        $sum = array_sum($shares);

        return array_map(static fn (float $s): float => $s / $sum, $shares);
    }

    /** @return list<string> the polymers decided together with this one, itself included */
    public function family(string $code): array
    {
        foreach ($this->families as $family) {
            if (in_array($code, $family, true)) {
                return $family;
            }
        }

        return [$code];
    }

    /** Whether a test is one of those that tell a look-alike from what is never heated. */
    public function separates(string $test): bool
    {
        return in_array($test, $this->separating, true);
    }

    /**
     * Whether a test makes sense on an item of this kind; on one whose kind is not known, unless it is for some kinds
     * only.
     */
    public function suits(string $test, ?string $kind): bool
    {
        $only = $this->tests[$test]['only_for'] ?? null;

        return $only === null || in_array($kind, $only, true);
    }

    /**
     * What a polymer may weigh: bands of density with their shares, g/cm3. A polymer of the library lies evenly in its
     * range; what is none of them lies as its rows of the three liquids say.
     *
     * @return non-empty-list<array{float, float, float}> from, to, share
     */
    public function densities(string $code, PolymerLibrary $polymers): array
    {
        $range = $polymers->has($code) ? $polymers->get($code)->data->range('density_solid_g_cm3') : null;
        if ($range !== null) {
            return [[$range->min, max($range->max, $range->min + 1e-6), 1.0]];
        }
        $bands = [];
        $from = self::OTHER_DENSITY[0];
        $under = 0.0;
        foreach ([0.93, 1.00, 1.20] as $i => $liquid) {
            $row = $this->tests[self::LIQUIDS[$i]]['likelihood'][$code];
            $below = max($under, $row['floats'] + $row['hovers'] / 2);
            $bands[] = [$from, $liquid, $below - $under];
            [$from, $under] = [$liquid, $below];
        }
        $bands[] = [$from, self::OTHER_DENSITY[1], 1 - $under];

        return $bands;
    }
}
