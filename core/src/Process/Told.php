<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/** What a run's log adds up to: masses of an entry, pieces by their verdict. */
final readonly class Told
{
    private const VERDICT = 'disposition';

    public function __construct(private RunState $state)
    {
    }

    /** All that was logged of an entry, g. */
    public function grams(string $entry): float
    {
        return array_sum(array_column($this->masses($entry), 1));
    }

    /**
     * The newest of what was weighed of each piece.
     *
     * @return array<int, float> g by piece, 0 for the run itself
     */
    public function weighed(string $entry): array
    {
        return array_column($this->masses($entry), 1, 0);
    }

    /** @return list<array{int, float}> piece, 0 for the run itself, and g */
    private function masses(string $entry): array
    {
        $masses = [];
        foreach ($this->state->entries as $logged) {
            $mass = $logged['values']['mass_g'] ?? null;
            if ($logged['entry'] === $entry && is_numeric($mass)) {
                $masses[] = [$logged['piece'] ?? 0, (float) $mass];
            }
        }

        return $masses;
    }

    /** @return list<int> pieces of a verdict, 0 for the run itself */
    public function judged(string $verdict): array
    {
        $newest = [];
        foreach ($this->state->entries as $logged) {
            if ($logged['entry'] === self::VERDICT) {
                $newest[$logged['piece'] ?? 0] = $logged['values']['verdict'] ?? null;
            }
        }

        return array_keys($newest, $verdict, true);
    }

    /** Pieces that a step was done of. */
    public function through(string $step): int
    {
        return count(array_filter($this->state->pieces, static fn (Thread $piece): bool => isset($piece->done[$step])));
    }
}
