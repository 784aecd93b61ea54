<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\JobShop;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Tabu search over the orders on the machines: an operation of a critical block goes behind the block's last or before
 * its first, judged by the estimate of heads and tails along the moved stretch; what was turned round is not turned
 * back for a while. After long without a better plan it goes on from one of the best, shaken. Neighbourhood and test of
 * feasibility: Balas & Vazacopoulos, Management Science 44 (1998) 262; search: Nowicki & Smutnicki, Management Science
 * 42 (1996) 797; tails and heads over a disjunctive graph: Taillard, ORSA J. Computing 6 (1994) 108.
 *
 * The same seed and the same number of rounds give the same plan.
 */
final class Tabu
{
    /** rounds without a better plan after which it starts from an elite one, shaken */
    private const PATIENCE = 1500;

    private const ELITE = 6;

    private readonly Randomizer $dice;

    private readonly int $n;

    /** @var array<int, int> operation before and behind in its job, -1 where none is */
    private array $jobBefore = [];

    /** @var array<int, int> */
    private array $jobBehind = [];

    /** @var array<int, int> before and behind on its machine */
    private array $before;

    /** @var array<int, int> */
    private array $behind;

    /** @var array<int, int> longest way to its start */
    private array $head;

    /** @var array<int, int> longest way from its start to the end, itself included */
    private array $tail;

    private int $makespan = 0;

    /** @var array<int, int> round until which "a before b" is not made again, by a·n + b */
    private array $tabu = [];

    public function __construct(private readonly Instance $of, int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
        $this->n = $of->operations();
        $none = array_fill(0, $this->n, -1);
        $this->before = $this->behind = $none;
        $this->head = $this->tail = array_fill(0, $this->n, 0);
        for ($i = 0; $i < $this->n; $i++) {
            $this->jobBefore[] = $i % $of->machines === 0 ? -1 : $i - 1;
            $this->jobBehind[] = $i % $of->machines === $of->machines - 1 ? -1 : $i + 1;
        }
        $this->begin();
        $this->measure();
    }

    /**
     * @param  float  $seconds  after which it stops where it is
     * @param  int  $rounds  at most
     * @param  int  $enough  a makespan with which it is content
     * @return list<int> starts of the best plan found, by operation
     */
    public function search(float $seconds, int $rounds = PHP_INT_MAX, int $enough = 0): array
    {
        $ends = hrtime(true) + (int) (1e9 * $seconds);
        $best = $this->makespan;
        $starts = $this->head;
        $elite = [[$best, $this->before, $this->behind]];
        $since = 0;
        for ($round = 1; $round <= $rounds && $best > $enough; $round++) {
            if (($round & 63) === 0 && hrtime(true) > $ends) {
                break;
            }
            if (! $this->step($round, $best)) {
                $since = self::PATIENCE;
            }
            if ($this->makespan < $best) {
                [$best, $starts, $since] = [$this->makespan, $this->head, 0];
                array_unshift($elite, [$best, $this->before, $this->behind]);
                $elite = array_slice($elite, 0, self::ELITE);
            } elseif (++$since > self::PATIENCE) {
                [, $this->before, $this->behind] = $elite[$this->dice->getInt(0, count($elite) - 1)];
                $this->measure();
                $this->shake();
                [$this->tabu, $since] = [[], 0];
            }
        }

        return array_values($starts);
    }

    /** First come, first served by the longest way that is still to go. */
    private function begin(): void
    {
        $rest = $this->of->minutes;
        for ($i = $this->n - 1; $i >= 0; $i--) {
            $rest[$i] += $this->jobBehind[$i] < 0 ? 0 : $rest[$i + 1];
        }
        $next = [];
        for ($j = 0; $j < $this->of->jobs; $j++) {
            $next[$j] = $j * $this->of->machines;
        }
        $last = array_fill(0, $this->of->machines, -1);
        $free = array_fill(0, $this->of->machines, 0);
        $ready = array_fill(0, $this->of->jobs, 0);
        while ($next !== []) {
            // Giffler and Thompson: on the machine that could be done first, whoever could start before that.
            $soonest = PHP_INT_MAX;
            $on = 0;
            foreach ($next as $j => $i) {
                $m = $this->of->machine[$i];
                $end = max($free[$m], $ready[$j]) + $this->of->minutes[$i];
                if ($end < $soonest) {
                    [$soonest, $on] = [$end, $m];
                }
            }
            $chosen = -1;
            foreach ($next as $j => $i) {
                $may = $this->of->machine[$i] === $on && max($free[$on], $ready[$j]) < $soonest;
                if ($may && ($chosen < 0 || $rest[$i] > $rest[$next[$chosen]])) {
                    $chosen = $j;
                }
            }
            $i = $next[$chosen];
            $free[$on] = $ready[$chosen] = max($free[$on], $ready[$chosen]) + $this->of->minutes[$i];
            $this->before[$i] = $last[$on];
            if ($last[$on] >= 0) {
                $this->behind[$last[$on]] = $i;
            }
            $last[$on] = $i;
            if ($this->jobBehind[$i] < 0) {
                unset($next[$chosen]);
            } else {
                $next[$chosen] = $i + 1;
            }
        }
    }

    /** Heads, tails and the makespan of the orders as they stand. */
    private function measure(): void
    {
        $minutes = $this->of->minutes;
        $waits = $order = [];
        for ($i = 0; $i < $this->n; $i++) {
            $waits[$i] = ($this->jobBefore[$i] >= 0 ? 1 : 0) + ($this->before[$i] >= 0 ? 1 : 0);
            if ($waits[$i] === 0) {
                $order[] = $i;
            }
        }
        $head = array_fill(0, $this->n, 0);
        $longest = 0;
        for ($at = 0; $at < count($order); $at++) {
            $i = $order[$at];
            $end = $head[$i] + $minutes[$i];
            $longest = max($longest, $end);
            foreach ([$this->jobBehind[$i], $this->behind[$i]] as $next) {
                if ($next < 0) {
                    continue;
                }
                if ($end > $head[$next]) {
                    $head[$next] = $end;
                }
                if (--$waits[$next] === 0) {
                    $order[] = $next;
                }
            }
        }
        $tail = array_fill(0, $this->n, 0);
        for ($at = $this->n - 1; $at >= 0; $at--) {
            $i = $order[$at];
            $job = $this->jobBehind[$i];
            $machine = $this->behind[$i];
            $a = $job < 0 ? 0 : $tail[$job];
            $b = $machine < 0 ? 0 : $tail[$machine];
            $tail[$i] = $minutes[$i] + ($a > $b ? $a : $b);
        }
        [$this->head, $this->tail, $this->makespan] = [$head, $tail, $longest];
    }

    /** One move, the best that is not tabu; false where there is none: the plan cannot be shorter. */
    private function step(int $round, int $best): bool
    {
        $chosen = null;
        $least = PHP_INT_MAX;
        $any = [];
        foreach ($this->moves() as $move) {
            [$first, $last, $forward] = $move;
            $estimate = $this->estimate($first, $last, $forward);
            $any[] = $move;
            if ($estimate >= $least || ($this->isTabu($first, $last, $forward, $round) && $estimate >= $best)) {
                continue;
            }
            [$chosen, $least] = [$move, $estimate];
        }
        if ($any === []) {
            return false;
        }
        $this->move($chosen ?? $any[$this->dice->getInt(0, count($any) - 1)], $round);

        return true;
    }

    /**
     * The moves that may shorten the plan, none of which closes a circle.
     *
     * @return list<array{int, int, bool}> first and last of a stretch on one machine: the first goes behind the last, or
     *                                     the last before the first
     */
    private function moves(): array
    {
        $moves = [];
        foreach ($this->blocks() as $block) {
            $end = count($block) - 1;
            for ($i = 0; $i < $end; $i++) {
                $job = $this->jobBehind[$block[$i]];
                if ($job < 0 || $this->tail[$block[$end]] >= $this->tail[$job]) {
                    $moves[] = [$block[$i], $block[$end], true];
                }
                $job = $this->jobBefore[$block[$i + 1]];
                $first = $block[0];
                if (
                    $job < 0
                    || $this->head[$first] + $this->of->minutes[$first] >= $this->head[$job] + $this->of->minutes[$job]
                ) {
                    $moves[] = [$first, $block[$i + 1], false];
                }
            }
            // Two neighbours at an end of a block can always change places.
            $moves[] = [$block[0], $block[1], true];
            if ($end > 1) {
                $moves[] = [$block[$end - 1], $block[$end], true];
            }
        }

        return $moves;
    }

    /** @return list<non-empty-list<int>> stretches of one critical path, each on one machine, two operations or more */
    private function blocks(): array
    {
        $at = -1;
        $seen = 0;
        for ($i = 0; $i < $this->n; $i++) {
            // One of those that begin a longest way, each as likely.
            if ($this->head[$i] === 0 && $this->tail[$i] === $this->makespan && $this->dice->getInt(0, $seen++) === 0) {
                $at = $i;
            }
        }
        $blocks = [];
        $block = [$at];
        while (true) {
            $rest = $this->tail[$at] - $this->of->minutes[$at];
            if ($rest === 0) {
                break;
            }
            $job = $this->jobBehind[$at];
            $machine = $this->behind[$at];
            $byJob = $job >= 0
                && $this->tail[$job] === $rest
                && $this->head[$job] === $this->head[$at] + $this->of->minutes[$at];
            $byMachine = $machine >= 0 && $this->tail[$machine] === $rest;
            if ($byMachine && (! $byJob || $this->dice->getInt(0, 1) === 1)) {
                $block[] = $at = $machine;

                continue;
            }
            if (count($block) > 1) {
                $blocks[] = $block;
            }
            $block = [$at = $job];
        }
        if (count($block) > 1) {
            $blocks[] = $block;
        }

        return $blocks;
    }

    /** How long the plan would be at least along the moved stretch. */
    private function estimate(int $first, int $last, bool $forward): int
    {
        $minutes = $this->of->minutes;
        $stretch = [];
        for ($i = $first; $i !== $last; $i = $this->behind[$i]) {
            $stretch[] = $i;
        }
        $stretch[] = $last;
        if ($forward) {
            array_shift($stretch);
            $stretch[] = $first;
        } else {
            array_pop($stretch);
            array_unshift($stretch, $last);
        }
        $machine = $this->before[$first];
        $end = $machine < 0 ? 0 : $this->head[$machine] + $minutes[$machine];
        $heads = [];
        foreach ($stretch as $i) {
            $job = $this->jobBefore[$i];
            $ready = $job < 0 ? 0 : $this->head[$job] + $minutes[$job];
            $heads[] = $start = $ready > $end ? $ready : $end;
            $end = $start + $minutes[$i];
        }
        $machine = $this->behind[$last];
        $rest = $machine < 0 ? 0 : $this->tail[$machine];
        $longest = 0;
        for ($k = count($stretch) - 1; $k >= 0; $k--) {
            $i = $stretch[$k];
            $job = $this->jobBehind[$i];
            $after = $job < 0 ? 0 : $this->tail[$job];
            $rest = $minutes[$i] + ($after > $rest ? $after : $rest);
            $longest = max($longest, $heads[$k] + $rest);
        }

        return $longest;
    }

    private function isTabu(int $first, int $last, bool $forward, int $round): bool
    {
        $moved = $forward ? $first : $last;
        for ($i = $forward ? $this->behind[$first] : $first; ; $i = $this->behind[$i]) {
            if (! $forward && $i === $last) {
                return false;
            }
            $made = $forward ? $i * $this->n + $moved : $moved * $this->n + $i;
            if (($this->tabu[$made] ?? 0) > $round) {
                return true;
            }
            if ($forward && $i === $last) {
                return false;
            }
        }
    }

    /** @param  array{int, int, bool}  $move */
    private function move(array $move, int $round): void
    {
        [$first, $last, $forward] = $move;
        $until = $round + 10 + intdiv(
            $this->of->jobs,
            $this->of->machines,
        ) + $this->dice->getInt(0, $this->of->machines);
        $moved = $forward ? $first : $last;
        for ($i = $first; ; $i = $this->behind[$i]) {
            if ($i !== $moved) {
                // What stood so before is not made so again.
                $this->tabu[$forward ? $moved * $this->n + $i : $i * $this->n + $moved] = $until;
            }
            if ($i === $last) {
                break;
            }
        }
        $this->take($moved);
        $forward ? $this->put($first, $last) : $this->put($last, $this->before[$first]);
        if (! $forward && $this->before[$first] !== $last) {
            $this->link($last, $first);
        }
        $this->measure();
    }

    private function take(int $i): void
    {
        $this->link($this->before[$i], $this->behind[$i]);
    }

    /** Behind another; -1 is before all of its machine, whose first is linked by the caller. */
    private function put(int $i, int $behind): void
    {
        $next = $behind < 0 ? -1 : $this->behind[$behind];
        $this->link($behind, $i);
        $this->link($i, $next);
        if ($behind < 0) {
            $this->before[$i] = -1;
        }
        if ($next < 0) {
            $this->behind[$i] = -1;
        }
    }

    private function link(int $a, int $b): void
    {
        if ($a >= 0) {
            $this->behind[$a] = $b;
        }
        if ($b >= 0) {
            $this->before[$b] = $a;
        }
    }

    private function shake(): void
    {
        for ($k = $this->dice->getInt(6, 14); $k > 0; $k--) {
            $moves = $this->moves();
            if ($moves === []) {
                return;
            }
            $this->move($moves[$this->dice->getInt(0, count($moves) - 1)], 0);
        }
    }
}
