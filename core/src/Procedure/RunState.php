<?php

declare(strict_types=1);

namespace Dithermic\Core\Procedure;

/** Where a run stands: what its events add up to. Times are seconds since 1970 UTC. */
final class RunState
{
    public const RUNNING = 'running';

    public const FINISHED = 'finished';

    public const ABORTED = 'aborted';

    public string $status = self::RUNNING;

    public ?string $step = null;

    public float $stepSince = 0.0;

    public ?float $startedAt = null;

    public ?float $endedAt = null;

    /** @var array<string, array{at: float, by: string, reason: ?string, began: float}> steps done, by id */
    public array $done = [];

    /** @var array<string, array{id: string, started_at: float, ends_at: float, minutes: float, answered_at: ?float}> by id */
    public array $timers = [];

    /** @var array<string, array<string, float>> when each item was confirmed, by step and item */
    public array $confirmed = [];

    /** @var array<string, array{key: string, entry: string, at: float, by: string, values: array<string, mixed>, step: ?string, corrected: int}> log entries as they stand, by event key */
    public array $entries = [];

    /** @var array<string, true> keys of all events folded */
    public array $keys = [];

    /**
     * The values of the newest standing entry of a kind, of the whole run or as logged in one step of it.
     *
     * @return array<string, mixed>|null
     */
    public function latest(string $entry, ?string $step = null): ?array
    {
        $found = null;
        foreach ($this->entries as $logged) {
            if ($logged['entry'] === $entry && ($step === null || $logged['step'] === $step)) {
                $found = $logged['values'];
            }
        }

        return $found;
    }

    public function count(string $entry): int
    {
        return count(array_filter($this->entries, static fn (array $logged): bool => $logged['entry'] === $entry));
    }

    public function lastAt(string $entry, float $since): ?float
    {
        $last = null;
        foreach ($this->entries as $logged) {
            if ($logged['entry'] === $entry && $logged['at'] >= $since) {
                $last = max($last ?? 0.0, $logged['at']);
            }
        }

        return $last;
    }
}
