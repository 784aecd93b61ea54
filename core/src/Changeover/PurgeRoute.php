<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

/** The materials that go through the barrel one after the other, and how each leg is run. */
final readonly class PurgeRoute
{
    /**
     * @param  non-empty-list<string>  $codes  from the old to the new
     * @param  list<PurgeLeg>  $legs
     */
    public function __construct(public array $codes, public array $legs)
    {
    }

    public function last(): string
    {
        return $this->codes[count($this->codes) - 1];
    }

    public function over(string $code, PurgeLeg $leg): self
    {
        return new self([...$this->codes, $code], [...$this->legs, $leg]);
    }

    public function widened(): int
    {
        return count(array_filter($this->legs, static fn (PurgeLeg $leg): bool => $leg->widened));
    }

    /** g for each cm3 that a leg takes. */
    public function massPerVolume(): float
    {
        return array_sum(array_map(static fn (PurgeLeg $leg): float => $leg->density_g_cm3, $this->legs));
    }

    /** Of two routes with as many legs: fewer that leave a window, then less mass. */
    public function isBetterThan(self $other): bool
    {
        return [$this->widened(), $this->massPerVolume()] < [$other->widened(), $other->massPerVolume()];
    }
}
