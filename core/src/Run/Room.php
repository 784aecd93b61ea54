<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * When a place will have room again, from the pieces that stand there or are on their way to it: their timers as they run,
 * else the minutes of the plan, else the steps' usual minutes. Times are seconds since 1970 UTC.
 */
final readonly class Room
{
    /** @param  array<string, float|int|string|null>  $plan */
    public function __construct(private Procedure $procedure, private array $plan)
    {
    }

    /** The moment from which a place has room for one more; null where it has room now and keeps it. */
    public function freeAt(RunState $state, string $place, ?int $except): ?float
    {
        $holds = $this->procedure->place($place)?->holds;
        if ($holds === null) {
            return null;
        }
        $leave = [];
        foreach ($state->pieces as $piece) {
            $at = $piece->piece === $except ? null : $this->leavesAt($piece, $place);
            if ($at !== null) {
                $leave[] = $at;
            }
        }
        rsort($leave);

        return $leave[$holds - 1] ?? null;
    }

    /** When a piece under way will have left a place; null where it is not bound for it, or has not been timed at all yet. */
    private function leavesAt(Thread $piece, string $place): ?float
    {
        if ($piece->outcome !== Thread::OPEN || $piece->timers === []) {
            return null;
        }
        $clock = $piece->stepSince;
        $leaves = null;
        foreach ($this->procedure->steps(Phase::Piece) as $step) {
            if (isset($piece->done[$step->id])) {
                continue;
            }
            $running = $step->timer === null ? null : ($piece->timers[$step->timer] ?? null);
            $clock = $running['ends_at'] ?? $clock + 60 * $this->minutes($step);
            $leaves = $step->place === $place ? $clock : $leaves;
        }

        return $leaves;
    }

    private function minutes(Step $step): float
    {
        return $step->timer === null
            ? $step->typicalMin
            : (float) ($this->plan[$this->procedure->timer($step->timer)->minutes ?? ''] ?? 0);
    }
}
