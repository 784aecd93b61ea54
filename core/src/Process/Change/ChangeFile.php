<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Plan;

/**
 * A job change as it goes: what its log adds up to, what may be done next, and when it is through from here on. What is
 * late moves what waits for it; nothing that was not looked at counts as done.
 */
final class ChangeFile
{
    /** a wait may be ended so much before its time: clocks and hands are not that exact, min */
    private const EARLY_MIN = 0.5;

    /** @var array<string, ChangeTask> */
    private array $tasks = [];

    /** @var array<string, TaskState> */
    public array $states = [];

    /** @var array<string, list<array{ChangeEntry, array<array-key, mixed>, float}>> by task, so that the newest can be taken back */
    private array $log = [];

    public ?string $givenUp = null;

    /** when the last of it was through */
    public ?float $endedAt = null;

    /**
     * @param  list<ChangeTask>  $tasks  of its plan
     * @param  float  $at  when it was begun, s since 1970 UTC
     */
    public function __construct(
        array $tasks,
        private readonly float $at,
        private readonly int $people,
        private readonly bool $mustPurge,
    ) {
        foreach ($tasks as $task) {
            $this->tasks[$task->id] = $task;
            $this->states[$task->id] = new TaskState;
        }
    }

    /** @param  array<array-key, mixed>  $said  of an entry that was let in before */
    public function add(ChangeEntry $kind, array $said, float $at): void
    {
        if ($kind === ChangeEntry::GivenUp) {
            $this->givenUp = self::text($said, 'why');
            $this->endedAt = $at;

            return;
        }
        $id = self::text($said, 'task');
        if ($kind === ChangeEntry::Undone) {
            array_pop($this->log[$id]);
        } else {
            $this->log[$id][] = [$kind, $said, $at];
        }
        $this->states[$id] = $this->fold($this->log[$id] ?? []);
        $this->endedAt = $this->isThrough() ? $at : null;
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @param  bool  $lead  whether a lead says it
     *
     * @throws InputError when it has no place here now
     */
    public function mustTake(ChangeEntry $kind, array $said, float $at, bool $lead): void
    {
        if ($this->givenUp !== null || $this->isThrough()) {
            throw new InputError('kind', 'comes too late: this change is over. Begin another one');
        }
        if ($kind === ChangeEntry::GivenUp) {
            self::mustSay($said, 'why');

            return;
        }
        $task = $this->tasks[self::text($said, 'task')] ?? throw new InputError('task', 'is none of this change');
        $state = $this->states[$task->id];
        if ($kind === ChangeEntry::Undone) {
            $this->mustUndo($task);

            return;
        }
        if ($state->isThrough()) {
            throw new InputError('task', "is through: {$task->title}. Take it back first, if it was not");
        }
        foreach ($task->after as $before) {
            if (! $this->states[$before]->isThrough()) {
                throw new InputError(
                    'task',
                    "comes after \"{$this->tasks[$before]->title}\", which is not through yet",
                );
            }
        }
        match ($kind) {
            ChangeEntry::Begun => $this->mustBegin($task, $state),
            ChangeEntry::Tapped => $this->mustTap($task, $said),
            ChangeEntry::Looked => $this->mustLook($task, $said),
            ChangeEntry::Over => $this->mustBeOver($task, $state, $said, $at),
            ChangeEntry::Passed => $this->mustPass($task, $said, $lead),
        };
    }

    public function isThrough(): bool
    {
        return array_filter($this->states, static fn (TaskState $s): bool => ! $s->isThrough()) === [];
    }

    /** Code of the newest polymer that went through the barrel; null where none was purged with. */
    public function inBarrel(): ?string
    {
        $newest = null;
        foreach ($this->tasks as $id => $task) {
            if ($task->asks === Asks::Purging && $this->states[$id]->looks !== []) {
                $newest = $task->polymer;
            }
        }

        return $newest;
    }

    /** Whether a task was done, and not left out; one that is none of this change was not. */
    public function isDone(string $id): bool
    {
        return ($this->states[$id] ?? null)?->isDone() === true;
    }

    /** @return 'passed'|'through'|'under_way'|'ready'|'waits' */
    public function stands(string $id): string
    {
        $state = $this->states[$id];

        return match (true) {
            $state->passed !== null => 'passed',
            $state->isThrough() => 'through',
            $state->begunAt !== null => 'under_way',
            $this->isReady($id) => 'ready',
            default => 'waits',
        };
    }

    /** What is still to be done of a task before it may be over, in few words; null where nothing is. */
    public function lacks(string $id): ?string
    {
        [$task, $state] = [$this->tasks[$id], $this->states[$id]];
        $untapped = count(self::untapped($task, $state));

        return match (true) {
            $untapped > 0 => "{$untapped} to tap",
            self::isClean($task, $state) => null,
            $state->looks === [] => 'look at what comes out',
            default => 'purge on until it comes clean',
        };
    }

    /** @return list<string> */
    private static function untapped(ChangeTask $task, TaskState $state): array
    {
        return array_values(array_diff($task->taps, array_keys($state->tapped)));
    }

    /** Whether what comes out was last seen clean, where that is asked. */
    private static function isClean(ChangeTask $task, TaskState $state): bool
    {
        $last = end($state->looks);

        return $task->asks !== Asks::Purging || ($last !== false && $last['look'] === Look::Clean->value);
    }

    /** Whether a task may be begun or done now. */
    public function isReady(string $id): bool
    {
        $open = array_filter($this->tasks[$id]->after, fn (string $a): bool => ! $this->states[$a]->isThrough());

        return $open === [] && ! $this->states[$id]->isThrough();
    }

    /**
     * All of it as it went and as it will go from now.
     *
     * @return list<ChangeTask> with minutes since its begin
     */
    public function foretold(float $now): array
    {
        $minute = fn (float $at): float => max(0.0, ($at - $this->at) / 60);
        $fixed = [];
        foreach ($this->states as $id => $state) {
            $task = $this->tasks[$id];
            if ($state->isThrough()) {
                $end = $minute($state->overAt ?? $this->at);
                $start = $state->begunAt === null ? max(0.0, $end - $task->minutes) : $minute($state->begunAt);
                $fixed[$id] = [min($start, $end), $end];
            } elseif ($state->begunAt !== null) {
                $start = $minute($state->begunAt);
                $fixed[$id] = [$start, max($minute($now), $start + $task->minutes)];
            }
        }

        return (new HandsAndWaits(array_values($this->tasks), $this->people, $fixed, $minute($now)))->schedule();
    }

    /** @param  list<array{ChangeEntry, array<array-key, mixed>, float}>  $log */
    private function fold(array $log): TaskState
    {
        $state = new TaskState;
        foreach ($log as [$kind, $said, $at]) {
            match ($kind) {
                ChangeEntry::Begun => $state->begunAt = $at,
                ChangeEntry::Tapped => $state->tapped[self::text($said, 'tap')] = true,
                ChangeEntry::Looked => $state->looks[] = [
                    'look' => self::text($said, 'look'),
                    'mass_g' => is_numeric($said['mass_g'] ?? null) ? (float) $said['mass_g'] : null,
                    'at' => $at,
                ],
                ChangeEntry::Over => [$state->overAt, $state->said] = [$at, array_diff_key($said, ['task' => true])],
                ChangeEntry::Passed => [$state->overAt, $state->passed] = [$at, self::text($said, 'why')],
                default => null,
            };
        }

        return $state;
    }

    private function mustUndo(ChangeTask $task): void
    {
        if (($this->log[$task->id] ?? []) === []) {
            throw new InputError('task', "has nothing to take back: {$task->title}");
        }
        foreach ($this->tasks as $other) {
            if (in_array($task->id, $other->after, true) && ($this->log[$other->id] ?? []) !== []) {
                throw new InputError(
                    'task',
                    "cannot be taken back: \"{$other->title}\" was done on it. Take that back first",
                );
            }
        }
    }

    private function mustBegin(ChangeTask $task, TaskState $state): void
    {
        if ($task->hands) {
            throw new InputError('task', "is done by hands, it is not begun: {$task->title}");
        }
        if ($state->begunAt !== null) {
            throw new InputError('task', "goes on already: {$task->title}");
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private function mustTap(ChangeTask $task, array $said): void
    {
        if (! in_array(self::text($said, 'tap'), $task->taps, true)) {
            throw new InputError('tap', "is none of \"{$task->title}\"");
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private function mustLook(ChangeTask $task, array $said): void
    {
        if ($task->asks !== Asks::Purging) {
            throw new InputError('task', "has no purgings to look at: {$task->title}");
        }
        if (Look::tryFrom(self::text($said, 'look')) === null) {
            throw new InputError('look', 'is missing: say how it comes out');
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private function mustBeOver(ChangeTask $task, TaskState $state, array $said, float $at): void
    {
        if (! $task->hands && $state->begunAt === null) {
            throw new InputError('task', "was not begun: {$task->title}");
        }
        $missing = self::untapped($task, $state);
        if ($missing !== []) {
            throw new InputError('tap', 'is missing: '.implode(', ', $missing));
        }
        if (! self::isClean($task, $state)) {
            $last = end($state->looks);
            throw new InputError('look', $last === false
                ? 'is missing: look at what comes out first'
                : 'was '.Look::from($last['look'])->says().': purge on until it comes clean');
        }
        match ($task->asks) {
            Asks::Temperature => $this->mustBeThere($task, self::number($said, 'c', -50, 600)),
            Asks::Water => [self::number($said, 'in_c', -30, 200), self::number($said, 'out_c', -30, 200)],
            Asks::FirstParts => $this->mustBeGood($said),
            default => $this->mustHaveWaited($task, $state, $at),
        };
    }

    private function mustBeThere(ChangeTask $task, float $c): void
    {
        $off = $c - (float) $task->set_c;
        if (abs($off) > Plan::READY_WITHIN_K) {
            throw new InputError('c', sprintf(
                'is %.0f K %s %.0f °C: wait, or leave it out with a reason',
                abs($off), $off < 0 ? 'under' : 'over', $task->set_c,
            ));
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private function mustBeGood(array $said): void
    {
        self::number($said, 'bad', 0, 1000);
        if (self::number($said, 'good', 0, 1000) < 1) {
            throw new InputError('good', 'is none: it counts as running with its first good part');
        }
    }

    private function mustHaveWaited(ChangeTask $task, TaskState $state, float $at): void
    {
        $left = $task->hands ? 0.0 : $task->minutes - ($at - (float) $state->begunAt) / 60;
        if ($left > self::EARLY_MIN) {
            throw new InputError('task', sprintf('wants %.0f min more: %s', $left, $task->title));
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private function mustPass(ChangeTask $task, array $said, bool $lead): void
    {
        self::mustSay($said, 'why');
        if ($task->asks === Asks::Purging && $this->mustPurge) {
            throw new InputError(
                'task',
                'may be left out by nobody: the old and the new must not meet in a hot barrel',
            );
        }
        if (in_array($task->asks, [Asks::Purging, Asks::Temperature], true) && ! $lead) {
            throw new InputError('task', "is left out by a lead only: {$task->title}");
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private static function mustSay(array $said, string $field): void
    {
        if (trim(self::text($said, $field)) === '') {
            throw new InputError($field, 'is missing: say why, it is kept');
        }
    }

    /** @param  array<array-key, mixed>  $said */
    private static function text(array $said, string $field): string
    {
        return is_string($said[$field] ?? null) ? $said[$field] : '';
    }

    /** @param  array<array-key, mixed>  $said */
    private static function number(array $said, string $field, float $least, float $most): float
    {
        $value = $said[$field] ?? null;
        if (! is_int($value) && ! is_float($value)) {
            throw new InputError($field, 'is missing: say what was read');
        }
        if ($value < $least || $value > $most) {
            throw new InputError($field, sprintf('must be between %g and %g', $least, $most));
        }

        return (float) $value;
    }
}
