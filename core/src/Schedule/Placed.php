<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/** A task of a piece on the board. */
final class Placed
{
    /** what held it up last, in words; empty where it begins as soon as it may */
    public string $because = '';

    /** @param  list<array{string, Span}>  $hands  whose, and when */
    public function __construct(
        public readonly Job $job,
        public readonly int $piece,
        public readonly Task $task,
        public readonly StationOption $option,
        public readonly float $start,
        public readonly float $end,
        public readonly array $hands,
    ) {
    }

    public function name(): string
    {
        return $this->job->pieces === 1
            ? "{$this->job->id}, {$this->task->id}"
            : "{$this->job->id} {$this->piece}, {$this->task->id}";
    }

    public function told(): PlacedTask
    {
        return new PlacedTask(
            $this->job->id,
            $this->piece,
            $this->task->id,
            $this->option->station,
            round($this->start, 6),
            round($this->end, 6),
            array_values(array_unique(array_column($this->hands, 0))),
        );
    }
}
