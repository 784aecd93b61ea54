<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Schedule\Job;
use Dithermic\Core\Schedule\StationOption;
use Dithermic\Core\Schedule\Task;

/** A piece of a job, as it really goes through its tasks. */
final class Underway
{
    /** which task it stands at, from 0 */
    public int $at = 0;

    public Stage $stage = Stage::Before;

    public ?StationOption $on = null;

    /** when the task it stands at began, min */
    public float $began = 0.0;

    /** when hands came for its end, min */
    public float $called = 0.0;

    /** when its stage is over, min; what is known of it before is expected() */
    public float $until = INF;

    /** when the task before was over, min */
    public float $since = 0.0;

    /** @var list<string> whose hands are on it */
    public array $people = [];

    public function __construct(public readonly Job $job, public readonly int $piece)
    {
    }

    public function task(): ?Task
    {
        return $this->job->tasks[$this->at] ?? null;
    }

    public function isOver(): bool
    {
        return $this->task() === null;
    }

    public function waits(): bool
    {
        return $this->stage === Stage::Before && ! $this->isOver();
    }

    public function isFresh(): bool
    {
        return $this->at === 0 && $this->stage === Stage::Before;
    }

    public function name(): string
    {
        return "{$this->job->id} {$this->piece}";
    }

    /** Minutes that hands are usually wanted at the end of the task it stands at. */
    public function lastHands(): float
    {
        $task = $this->task();

        return $task === null || $this->on === null || $task->isAllHands($this->on->minutes)
            ? 0.0
            : $task->hands_end_min;
    }

    /** Minutes that hands are usually wanted at its beginning. */
    public function firstHands(StationOption $on): float
    {
        $task = $this->task();

        return $task?->isAllHands($on->minutes) === true ? $on->minutes : $task->hands_start_min ?? 0.0;
    }

    /** Minutes that it is left to itself between them. */
    public function byItself(): float
    {
        return $this->on === null
            ? 0.0
            : max(0.0, $this->on->minutes - $this->firstHands($this->on) - $this->lastHands());
    }

    /** When the task that it stands at is likely over, by what is known at a moment, min. */
    public function expected(float $now): float
    {
        return match ($this->stage) {
            Stage::Before => INF,
            Stage::FirstHands => max($now, $this->began + ($this->on === null ? 0.0 : $this->firstHands($this->on)))
                + $this->byItself() + $this->lastHands(),
            Stage::ByItself => $this->until + $this->lastHands(),
            Stage::Called => $now + $this->lastHands(),
            Stage::LastHands => max($now, $this->called + $this->lastHands()),
        };
    }
}
