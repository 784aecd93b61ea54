<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

/**
 * The melt space as a plug behind a stirred part. Loads are told apart by when they came; masses in grams.
 *
 * While the plug runs into the full stirred part of mass M, dm taken out takes of each load what it holds there: da/dm
 * = in − a/M, so over a piece of plug of mass m of one load, a' = a·e^(−m/M) + in·M·(1 − e^(−m/M)). With no plug left
 * the stirred part empties unmixed. (The ideal stirred tank: Levenspiel, Chemical Reaction Engineering.)
 */
final class Space
{
    /** share that is well stirred where nobody knows it: before a plunger */
    public const MIXING = 0.6;

    /** a load that is less than this of what is there no longer counts as its oldest */
    private const COUNTS_FROM = 0.01;

    /** @var array<int, float> mass of each load in the stirred part */
    private array $stirred = [];

    /** @var list<array{int, float}> pieces of the plug, the nozzle's end first: load and mass */
    private array $plug = [];

    public function __construct(private readonly float $capacity, private readonly float $stirs)
    {
    }

    public function held(): float
    {
        return array_sum($this->stirred) + array_sum(array_column($this->plug, 1));
    }

    public function free(): float
    {
        return $this->capacity - $this->held();
    }

    public function load(int $load, float $mass): void
    {
        // The stirred part is filled up first, unless plug stands behind it already.
        $into = $this->plug === [] ? min($mass, max(0.0, $this->stirs - array_sum($this->stirred))) : 0.0;
        if ($into > 0) {
            $this->stirred[$load] = ($this->stirred[$load] ?? 0.0) + $into;
        }
        if ($mass - $into > 1e-12) {
            $this->plug[] = [$load, $mass - $into];
        }
    }

    /** @return array<int, float> how much of each load came out */
    public function take(float $mass): array
    {
        $out = [];
        while ($mass > 1e-12 && $this->plug !== []) {
            [$load, $there] = $this->plug[0];
            $moved = min($mass, $there);
            $this->wash($load, $moved, $out);
            $mass -= $moved;
            if ($there - $moved > 1e-12) {
                $this->plug[0][1] = $there - $moved;
            } else {
                array_shift($this->plug);
            }
        }
        $left = array_sum($this->stirred);
        if ($mass > 1e-12 && $left > 0) {
            $share = min(1.0, $mass / $left);
            foreach ($this->stirred as $load => $of) {
                $out[$load] = ($out[$load] ?? 0.0) + $share * $of;
                $this->stirred[$load] = (1 - $share) * $of;
            }
        }

        return $out;
    }

    /** @return array<int, float> mass of each load in all of it */
    public function contents(): array
    {
        $all = $this->stirred;
        foreach ($this->plug as [$load, $mass]) {
            $all[$load] = ($all[$load] ?? 0.0) + $mass;
        }

        return array_filter($all, static fn (float $mass): bool => $mass > 1e-12);
    }

    /**
     * @param  list<float>  $loadedAt  when each load came, s
     * @return float|null s; null when it is empty
     */
    public function oldest(array $loadedAt, float $now): ?float
    {
        $least = self::COUNTS_FROM * $this->held();
        $counting = array_filter($this->contents(), static fn (float $mass): bool => $mass >= $least);

        $moments = array_intersect_key($loadedAt, $counting);

        return $moments === [] ? null : $now - min($moments);
    }

    /**
     * By mass, s.
     *
     * @param  array<int, float>  $masses  by load
     * @param  list<float>  $loadedAt
     */
    public static function meanAge(array $masses, array $loadedAt, float $now): float
    {
        $age = 0.0;
        foreach ($masses as $load => $mass) {
            $age += $mass * ($now - $loadedAt[$load]);
        }

        return $age / max(1e-12, array_sum($masses));
    }

    /** @return list<array<int, float>> mass of each load, from the nozzle to the feed: the stirred part, then the plug */
    public function layers(): array
    {
        $stirred = array_filter($this->stirred, static fn (float $mass): bool => $mass > 1e-12);

        return [
            ...($stirred === [] ? [] : [$stirred]),
            ...array_map(static fn (array $piece): array => [$piece[0] => $piece[1]], $this->plug),
        ];
    }

    /** @param  array<int, float>  $out */
    private function wash(int $load, float $moved, array &$out): void
    {
        $full = array_sum($this->stirred);
        if ($full <= 1e-12) {
            $out[$load] = ($out[$load] ?? 0.0) + $moved;

            return;
        }
        $kept = exp(-$moved / $full);
        $this->stirred[$load] ??= 0.0;
        foreach ($this->stirred as $of => $before) {
            $in = $of === $load ? $moved : 0.0;
            $after = $before * $kept + ($of === $load ? $full * (1 - $kept) : 0.0);
            $out[$of] = ($out[$of] ?? 0.0) + $before + $in - $after;
            $this->stirred[$of] = $after;
        }
    }
}
