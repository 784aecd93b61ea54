<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

/** Where a task of a job change stands. */
final class TaskState
{
    public ?float $begunAt = null;

    public ?float $overAt = null;

    /** why it was left out; null where it was not */
    public ?string $passed = null;

    /** @var array<string, true> */
    public array $tapped = [];

    /** @var list<array{look: string, mass_g: float|null, at: float}> */
    public array $looks = [];

    /** @var array<string, mixed> what was said as it was over */
    public array $said = [];

    /** Done or left out. */
    public function isThrough(): bool
    {
        return $this->overAt !== null;
    }

    public function isDone(): bool
    {
        return $this->isThrough() && $this->passed === null;
    }

    /** Grams that were weighed as they came out. */
    public function purged(): float
    {
        return array_sum(array_map(static fn (array $l): float => $l['mass_g'] ?? 0.0, $this->looks));
    }
}
