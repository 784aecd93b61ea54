<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * Whether a place has room, and when it will have again, from the pieces that stand there or are on their way to it:
 * their timers as they run, else the minutes of the plan, else the steps' usual minutes. Times are seconds since 1970
 * UTC.
 */
final readonly class Room
{
    /** @param  array<string, mixed>  $plan */
    public function __construct(private Procedure $procedure, private array $plan)
    {
    }

    /** Who holds a place that takes no more, or what carries a piece there and is all out; null when there is room. */
    public function taken(RunState $state, string $place, ?int $except = null): ?string
    {
        $holds = $this->holds($place);
        $there = $this->piecesAt($state, [$place], $except);
        if ($holds !== null && count($there) >= $holds) {
            return sprintf(
                'the %s still holds %s %s',
                $this->procedure->place($place)->title ?? $place,
                $this->procedure->pieceName(),
                implode(' and ', $there),
            );
        }
        $carrier = $this->procedure->carrier();
        $carriers = $this->carriers();
        if ($carrier === null || $carriers === null || ! $carrier->goesTo($place)) {
            return null;
        }
        $out = $this->piecesAt($state, $carrier->places, $except);

        return count($out) < $carriers ? null : sprintf(
            'no %s is free: %s %s %s',
            $carrier->title,
            $this->procedure->pieceName(),
            implode(' and ', $out),
            count($out) === 1 ? 'is still in it' : 'are still in them',
        );
    }

    /** Pieces that a place takes at once; null where nobody counts. */
    public function holds(string $place): ?int
    {
        $holds = $this->procedure->place($place)?->holds;

        return is_string($holds) ? self::whole($this->plan[$holds] ?? null) : $holds;
    }

    /** How many there are of what carries a piece; null where nothing does, or nobody counts. */
    public function carriers(): ?int
    {
        $carrier = $this->procedure->carrier();

        return $carrier === null ? null : self::whole($this->plan[$carrier->plan] ?? null);
    }

    /** How many a number of the plan says; null where it says none. */
    private static function whole(mixed $count): ?int
    {
        return is_int($count) || is_float($count) ? max(1, (int) round($count)) : null;
    }

    /**
     * @param  list<string>  $places
     * @return list<int> pieces under way that stand there
     */
    private function piecesAt(RunState $state, array $places, ?int $except): array
    {
        $there = array_filter($state->pieces, fn (Thread $piece): bool => $piece->piece !== $except
            && $piece->outcome === Thread::OPEN
            && in_array($this->procedure->step((string) $piece->step)?->place, $places, true));

        return array_keys($there);
    }

    /** The moment from which a place has room for one more; null where it has room now and keeps it. */
    public function freeAt(RunState $state, string $place, ?int $except): ?float
    {
        $holds = $this->holds($place);
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

    /**
     * When a piece under way will have left a place; null where it is not bound for it, or has not been timed at all
     * yet.
     */
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
            $clock = $running['ends_at'] ?? $clock + 60 * $this->procedure->minutes($step, $this->plan);
            $leaves = $step->place === $place ? $clock : $leaves;
        }

        return $leaves;
    }
}
