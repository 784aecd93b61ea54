<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Foreign matter found in a sample, as a share by mass, against what the polymer stands. The library says how an
 * incompatible polymer harms; the limits are our default for pressed and moulded ware, on the safe side: none of what is
 * dangerous, 0.5 % of what ruins parts, 2 % of what weakens ("a few per cent"), 1 % of dirt or what is not in the list.
 */
final readonly class Contamination
{
    private const ALLOWED_PCT = ['dangerous' => 0.0, 'ruins part' => 0.5, 'weakens' => 2.0];

    private const OTHER_PCT = 1.0;

    public float $share_pct;

    public float $allowed_pct;

    /** dangerous, too much or within */
    public string $verdict;

    public string $because;

    public function __construct(PolymerLibrary $polymers, string $polymer, string $found, float $found_g, float $sample_g)
    {
        if ($sample_g <= 0) {
            throw new InputError('sample_g', 'must be above 0 g: weigh what was looked through');
        }
        if ($found_g < 0 || $found_g > $sample_g) {
            throw new InputError('found_g', 'must lie between 0 g and the sample');
        }
        $pair = null;
        foreach ($polymers->has($polymer) ? $polymers->get($polymer)->record['incompatible_with'] ?? [] : [] as $one) {
            $pair = $one['code'] === $found ? $one : $pair;
        }
        if ($polymers->has($found) && in_array($polymer, $polymers->get($found)->record['blends_ok_with'] ?? [], true) && $pair === null) {
            $pair = ['severity' => 'weakens', 'why' => 'blends, with other properties'];
        }
        $this->share_pct = 100 * $found_g / $sample_g;
        $this->allowed_pct = $pair === null ? self::OTHER_PCT : self::ALLOWED_PCT[$pair['severity']];
        $why = $pair === null ? '' : ": {$pair['why']}";
        $this->verdict = match (true) {
            $found_g > 0 && ($pair['severity'] ?? '') === 'dangerous' => 'dangerous',
            $this->share_pct > $this->allowed_pct => 'too much',
            default => 'within',
        };
        $this->because = sprintf('%s: %.2g %% of the sample, %s%s.', $found, $this->share_pct, match ($this->verdict) {
            'dangerous' => 'and none may go hot', 'too much' => sprintf('over the %.2g %% that may be', $this->allowed_pct), default => sprintf('within the %.2g %% that may be', $this->allowed_pct),
        }, $why);
    }
}
