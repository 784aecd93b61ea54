<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\InputError;
use RuntimeException;

/** What is known of the sorting tests (data/identification.json): priors, likelihoods P(result | polymer), bars and families. */
final class Knowledge
{
    /** The tests that float a chip; all three look at one density. In the order of that density. */
    public const LIQUIDS = ['alcohol_0_93', 'water', 'salt_1_20'];

    public const DENSITY = 'density';

    /** The shop's own confirmed items are laid over the table as if it stood for this many. */
    private const TABLE_ITEMS = 200;

    /** @var array<string, array{id: string, name: string, how: string, results: list<string>, minutes: float, caution: ?string, likelihood: array<string, array<string, float>>}> */
    public readonly array $tests;

    /** @var array<string, float> */
    private readonly array $priors;

    /** @var list<list<string>> polymers that may be decided together */
    public readonly array $families;

    public readonly float $acceptAt;

    public readonly float $pvcBar;

    /** @param  array<string, mixed>|null  $data  the file's contents; read when not given */
    public function __construct(?array $data = null)
    {
        $data ??= json_decode((string) file_get_contents(__DIR__.'/../../data/identification.json'), true);
        if (! is_array($data) || ! isset($data['tests'])) {
            throw new RuntimeException('identification.json is not readable');
        }
        $this->tests = array_column($data['tests'], null, 'id');
        $this->priors = $data['priors'];
        $this->families = $data['decision']['families'];
        $this->acceptAt = (float) $data['decision']['accept_at'];
        $this->pvcBar = (float) $data['decision']['refuse_when_pvc_above'];
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
                throw new InputError(in_array($code, $candidates, true) ? 'candidates' : "confirmed.{$code}", "nothing is known to tell \"{$code}\" by; known: ".implode(', ', array_keys($this->priors)));
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
                return array_values($family);
            }
        }

        return [$code];
    }
}
