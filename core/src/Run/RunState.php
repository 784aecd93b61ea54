<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * Where a run stands: what its events add up to. It is a thread itself, of set-up and closing steps, and has pieces.
 */
final class RunState extends Thread
{
    public const RUNNING = 'running';

    public const FINISHED = 'finished';

    public const ABORTED = 'aborted';

    public string $status = self::RUNNING;

    public ?float $startedAt = null;

    public ?float $endedAt = null;

    public bool $closing = false;

    /**
     * @var list<array{from: float, to: ?float, reason: string, by: string}> when it was interrupted, in order; to is null
     *                                                                       while it still is
     */
    public array $breaks = [];

    /** @var list<array{from: float, lot: int, code: string}> lots that it went over to, in order; not the one it began with */
    public array $lots = [];

    /** @var array<int, Thread> by number, from 1 */
    public array $pieces = [];

    /**
     * @var array<string, array{key: string, entry: string, at: float, by: string, values: array<string, mixed>, step: ?string, corrected: int, piece: ?int}> log entries as they stand, by event key
     */
    public array $entries = [];

    /** @var array<string, true> keys of all events folded */
    public array $keys = [];

    public function __construct()
    {
        parent::__construct();
    }

    /** @return list<Thread> the run itself and pieces that go on, of which a timer runs */
    public function threadsOf(string $timer): array
    {
        return array_values(array_filter(
            [$this, ...$this->pieces],
            static fn (Thread $of): bool => $of->outcome === self::OPEN
                && isset($of->timers[$timer])
                && $of->timers[$timer]['answered_at'] === null,
        ));
    }

    public function thread(?int $piece): ?Thread
    {
        return $piece === null ? $this : $this->pieces[$piece] ?? null;
    }

    /** @return array{from: float, to: null, reason: string, by: string}|null the break it is in; null while it goes on, and once it is over */
    public function stands(): ?array
    {
        $last = end($this->breaks);

        return $this->status !== self::RUNNING || $last === false || $last['to'] !== null ? null : $last;
    }

    /**
     * Who put hands last to each piece, and to the run itself, by name.
     *
     * @return array<int, string> by piece, 0 for the run; whoever was at any of it last stands last
     */
    public function lastHands(): array
    {
        $last = [];
        $put = static function (int $piece, float $at, string $by) use (&$last): void {
            $last[$piece] = $at >= ($last[$piece][0] ?? -INF) ? [$at, $by] : $last[$piece];
        };
        foreach ($this->entries as $entry) {
            $put($entry['piece'] ?? 0, $entry['at'], $entry['by']);
        }
        foreach ([$this, ...$this->pieces] as $thread) {
            foreach ($thread->done as $done) {
                $put($thread->piece ?? 0, $done['at'], $done['by']);
            }
        }
        asort($last);

        return array_map(static fn (array $one): string => $one[1], $last);
    }

    /** The lot that goes in at a moment; null while it is the one that the run began with. */
    public function lotAt(float $at): ?int
    {
        $now = null;
        foreach ($this->lots as $lot) {
            $now = $lot['from'] <= $at ? $lot['lot'] : $now;
        }

        return $now;
    }

    /** Since when it is interrupted, s since 1970 UTC; null while it is not. */
    public function interruptedSince(): ?float
    {
        return $this->stands()['from'] ?? null;
    }

    /** Minutes that the wait after the break before had still to go when it was interrupted again. */
    public function owedMin(): float
    {
        $wait = $this->timers[RunMachine::RESTART] ?? null;
        $since = $this->interruptedSince();

        return $wait === null || $since === null || $wait['answered_at'] !== null
            ? 0.0
            : max(0.0, $wait['ends_at'] - $since) / 60;
    }

    /** @return list<array{from: float, to: ?float, reason: string, by: string}> in which a piece was under way */
    public function breaksOf(Thread $piece): array
    {
        $until = $piece->outcome === self::OPEN ? INF : $piece->stepSince;

        return array_values(array_filter(
            $this->breaks,
            static fn (array $break): bool => $break['from'] <= $until && ($break['to'] ?? INF) >= $piece->beganAt(),
        ));
    }

    /** @return list<Thread> the run itself, while it has a step, and the pieces under way */
    public function underWay(): array
    {
        $threads = array_filter($this->pieces, static fn (Thread $piece): bool => $piece->outcome === self::OPEN);

        return [...($this->step === null ? [] : [$this]), ...array_values($threads)];
    }

    /**
     * The values of the newest standing entry of a kind: of the whole run, or as logged in one step of one thread.
     *
     * @return array<string, mixed>|null
     */
    public function latest(string $entry, ?string $step = null, ?int $piece = null): ?array
    {
        $found = null;
        foreach ($this->entries as $logged) {
            if (
                $logged['entry'] === $entry
                && ($step === null || ($logged['step'] === $step && $logged['piece'] === $piece))
            ) {
                $found = $logged['values'];
            }
        }

        return $found;
    }

    public function count(string $entry, ?int $piece = null): int
    {
        return count(array_filter(
            $this->entries,
            static fn (array $logged): bool => $logged['entry'] === $entry && $logged['piece'] === $piece,
        ));
    }

    public function lastAt(string $entry, float $since, ?int $piece = null): ?float
    {
        $last = null;
        foreach ($this->entries as $logged) {
            if ($logged['entry'] === $entry && $logged['at'] >= $since && $logged['piece'] === $piece) {
                $last = max($last ?? 0.0, $logged['at']);
            }
        }

        return $last;
    }

    /**
     * When a timer ran, of the run itself and of each piece, where it was answered.
     *
     * @return array<int, array{float, float}> by piece, 0 for the run: started and answered, s since 1970 UTC
     */
    public function answered(string $timer): array
    {
        $ran = [];
        foreach ([$this, ...$this->pieces] as $thread) {
            $one = $thread->timers[$timer] ?? null;
            if ($one !== null && $one['answered_at'] !== null) {
                $ran[$thread->piece ?? 0] = [$one['started_at'], $one['answered_at']];
            }
        }

        return $ran;
    }
}
