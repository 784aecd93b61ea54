<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

/**
 * Foreign matter that a lot must still be taken to hold. It goes with the material: what was found in a lot before some
 * of it was split off, shredded or merged is in what became of it, until a later sample of that itself comes out clean.
 */
final readonly class Findings
{
    /**
     * @param  array<int, list<array{found: string, grams: float, at: float}>>  $samples  by lot
     * @param  array<int, list<array{lot: int, at: float}>>  $parents  by lot: where material came from, and when
     */
    public function __construct(private array $samples, private array $parents)
    {
    }

    /**
     * @param  float  $until  seconds since 1970: what was known and had come in by then
     * @return list<string> what was found and not cleared
     */
    public function standing(int $lot, float $until = INF): array
    {
        /** @var array<string, array{grams: float, at: float}> $newest */
        $newest = [];
        foreach ($this->samples[$lot] ?? [] as $sample) {
            if ($sample['at'] <= $until && $sample['at'] >= ($newest[$sample['found']]['at'] ?? -INF)) {
                $newest[$sample['found']] = $sample;
            }
        }
        $standing = array_keys(array_filter($newest, static fn (array $s): bool => $s['grams'] > 0));
        foreach ($this->parents[$lot] ?? [] as $parent) {
            if ($parent['at'] > $until) {
                continue;
            }
            foreach ($this->standing($parent['lot'], $parent['at']) as $found) {
                if (($newest[$found]['at'] ?? -INF) <= $parent['at']) {
                    $standing[] = $found;
                }
            }
        }

        return array_values(array_unique($standing));
    }
}
