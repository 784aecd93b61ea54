<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\Incompatible;
use Dithermic\Core\Material\Matter;
use Dithermic\Core\Material\MatterKind;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Foreign matter found in a sample, as a share by mass, against what the polymer stands. The library says how an
 * incompatible polymer harms; the limits are our default for pressed and moulded ware, on the safe side: none of what
 * is dangerous, 0.5 % of what ruins parts, 2 % of what weakens ("a few per cent"), 1 % of dirt or what is not in the
 * list. What the polymer itself blends with may be in it up to the library's share. Dangerous is also what breaks down
 * at the heat that this polymer is run at, and what nobody can name; metal is to be sorted out.
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

    public function __construct(
        PolymerLibrary $polymers,
        string $polymer,
        string $found,
        float $found_g,
        float $sample_g,
    ) {
        if ($sample_g <= 0) {
            throw new InputError('sample_g', 'must be above 0 g: weigh what was looked through');
        }
        if ($found_g < 0 || $found_g > $sample_g) {
            throw new InputError('found_g', 'must lie between 0 g and the sample');
        }
        $matter = Matter::read($found, $polymers);
        $own = $polymers->has($polymer) ? $polymers->get($polymer) : null;
        $danger = self::danger($own, $matter);
        $blend = $own === null || $matter?->polymer === null ? null : $own->blendsWith($matter->polymer->code);
        $harm = self::harm($own, $matter);
        $this->share_pct = 100 * $found_g / $sample_g;
        $this->allowed_pct = match (true) {
            $danger !== null || $matter?->kind === MatterKind::Metal => 0.0,
            $blend !== null => $blend,
            $harm !== null => self::ALLOWED_PCT[$harm->severity],
            default => self::OTHER_PCT,
        };
        $why = $danger ?? ($blend === null ? $harm?->why : null);
        $this->verdict = match (true) {
            $found_g > 0 && $danger !== null => 'dangerous',
            $this->share_pct > $this->allowed_pct => 'too much',
            default => 'within',
        };
        $this->because = sprintf('%s: %.3g %% of the sample, %s%s.', $found, $this->share_pct, match ($this->verdict) {
            'dangerous' => 'and none may go hot',
            'too much' => sprintf('over the %.2g %% that may be', $this->allowed_pct),
            default => sprintf('within the %.2g %% that may be', $this->allowed_pct),
        }, $why === null ? '' : ": {$why}");
    }

    /** Why none of it may go hot in this polymer, at the heat that this one is run at; null when some may. */
    private static function danger(?Polymer $own, ?Matter $found): ?string
    {
        if ($found === null) {
            return 'nobody knows what that is: name it';
        }
        if ($found->polymer === null) {
            return null;
        }
        if ($found->polymer->neverHot()) {
            return $found->polymer->isPvc()
                ? 'it gives off hydrogen chloride when hot'
                : 'nobody knows what it gives off';
        }
        if ($own === null) {
            return null;
        }
        $why = $own->dangerWith($found->polymer);
        if ($why !== null || $own->blendsWith($found->polymer->code) !== null) {
            return $why;
        }
        $melt = $own->meltWindow();
        $heat = $found->polymer->breaksDownViolently() ? $melt?->max : $melt?->typical;
        $ceiling = $found->polymer->ceiling();

        return $heat === null || $ceiling === null || $ceiling >= $heat ? null
            : sprintf('it breaks down over %.0f °C, and %s is run up to %.0f', $ceiling, $own->code, $melt?->max);
    }

    private static function harm(?Polymer $own, ?Matter $found): ?Incompatible
    {
        return $found?->polymer === null ? null : $own?->harmedBy($found->polymer->code);
    }
}
