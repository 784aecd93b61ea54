<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Washing a barrel out: the concentration of the old material falls as C = exp(−V/(mixing·Vb)) beyond one displaced volume
 * (1 − mixing)·Vb (plug flow in series with a stirred tank, Levenspiel). So V = Vb·((1 − mixing) + mixing·ln(100/residual)).
 */
final readonly class PurgeModel
{
    /** polymers that purge others, the most stable first */
    private const INTERMEDIATES = ['HDPE', 'PP', 'LDPE', 'PS', 'PC'];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public static function volume(float $barrel, float $mixing, float $residualPct): float
    {
        return $barrel * ((1 - $mixing) + $mixing * log(100 / $residualPct));
    }

    /** Why two must not meet in a hot barrel; null when they may. */
    public function danger(string $a, string $b): ?string
    {
        foreach ([[$a, $b], [$b, $a]] as [$one, $other]) {
            foreach ($this->polymers->get($one)->record['incompatible_with'] ?? [] as $pair) {
                if ($pair['code'] === $other && $pair['severity'] === 'dangerous') {
                    return "{$a} and {$b} must not meet in a hot barrel: {$pair['why']}.";
                }
            }
        }

        return null;
    }

    /** @return list<string> codes from the old to the new, over an intermediate where they may or can not meet */
    public function route(string $from, string $to): array
    {
        if ($from === $to) {
            return [$from];
        }
        if ($this->danger($from, $to) === null && $this->meetAt($from, $to) !== null) {
            return [$from, $to];
        }
        foreach (self::INTERMEDIATES as $middle) {
            if ($middle !== $from && $middle !== $to && $this->danger($from, $middle) === null && $this->danger($middle, $to) === null
                && ($this->meetAt($from, $middle) ?? $this->window($from)) !== null && $this->meetAt($middle, $to) !== null) {
                return [$from, $middle, $to];
            }
        }

        return [$from, self::INTERMEDIATES[0], $to];
    }

    /** The middle of what both melt windows share, °C; null when they share nothing. */
    public function meetAt(string $a, string $b): ?float
    {
        $x = $this->window($a);
        $y = $this->window($b);
        if ($x === null || $y === null) {
            return null;
        }
        $low = max($x[0], $y[0]);
        $high = min($x[1], $y[1]);

        return $low <= $high ? ($low + $high) / 2 : null;
    }

    public function setFor(string $a, string $b): float
    {
        return $this->meetAt($a, $b) ?? $this->window($b)[0] ?? $this->window($a)[0] ?? 0.0;
    }

    /** @return array{float, float}|null */
    private function window(string $code): ?array
    {
        $polymer = $this->polymers->get($code);
        $melt = $polymer->process('injection')['melt_c'] ?? $polymer->process('extrusion')['melt_c'] ?? null;

        return is_array($melt) ? [(float) $melt['min'], (float) $melt['max']] : null;
    }

    public function polymer(string $code, string $field): Polymer
    {
        return $this->polymers->get($code, $field);
    }
}
