<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

/**
 * What is in what, by where it came from: material that is poured from one place to another takes along of everything
 * in proportion, as if each place were well mixed (a perfectly mixed vessel; Levenspiel, Chemical Reaction Engineering,
 * 3rd ed., chapter 5). Nothing is lost and nothing made: what comes of each origin is what was poured of it.
 */
final class Mixing
{
    /** of what nobody can tell where it is from */
    public const UNKNOWN = '';

    /** @var array<string, array<string, float>> grams that are there now, by place and origin */
    private array $holds = [];

    /** @var array<string, array<string, float>> grams that ever came, by place and origin */
    private array $came = [];

    /** @var array<string, array{from: string, to: string, grams: float, of: array<string, float>}> by both ends */
    private array $flows = [];

    /** New material comes to a place. */
    public function bring(string $to, string $origin, float $grams): void
    {
        $this->holds[$to][$origin] = ($this->holds[$to][$origin] ?? 0.0) + $grams;
        $this->came[$to][$origin] = ($this->came[$to][$origin] ?? 0.0) + $grams;
    }

    /** Some of what is at one place now goes to another. */
    public function pour(string $from, string $to, float $grams): void
    {
        $flow = $this->flows["{$from}>{$to}"] ?? ['from' => $from, 'to' => $to, 'grams' => 0.0, 'of' => []];
        foreach ($this->take($from, $grams) as $origin => $part) {
            $this->bring($to, (string) $origin, $part);
            $flow['of'][$origin] = ($flow['of'][$origin] ?? 0.0) + $part;
        }
        $flow['grams'] += $grams;
        $this->flows["{$from}>{$to}"] = $flow;
    }

    /** What is wasted, or counted away, goes of everything alike. */
    public function lose(string $from, float $grams): void
    {
        $this->take($from, $grams);
    }

    /** @return array<string, float> shares of all that came to a place, summing to 1; empty where nothing came */
    public function shares(string $place): array
    {
        $came = $this->came[$place] ?? [];
        $total = array_sum($came);

        return $total > 0.0 ? array_map(static fn (float $g): float => $g / $total, $came) : [];
    }

    /** Grams of an origin that came to a place. */
    public function grams(string $place, string $origin): float
    {
        return $this->came[$place][$origin] ?? 0.0;
    }

    /** @return list<array{from: string, to: string, grams: float, of: array<string, float>}> */
    public function flows(): array
    {
        return array_values($this->flows);
    }

    /** @return array<string, float> grams by origin; what was not known to be there is of unknown origin */
    private function take(string $from, float $grams): array
    {
        $there = $this->holds[$from] ?? [];
        $total = array_sum($there);
        $known = min($grams, $total);
        $parts = [];
        foreach ($total > 0.0 ? $there : [] as $origin => $part) {
            $parts[$origin] = $known * $part / $total;
            $this->holds[$from][$origin] = max(0.0, $part - $parts[$origin]);
        }
        $missing = $grams - array_sum($parts);
        if ($missing > 1e-9) {
            $parts[self::UNKNOWN] = ($parts[self::UNKNOWN] ?? 0.0) + $missing;
        }

        return $parts;
    }
}
