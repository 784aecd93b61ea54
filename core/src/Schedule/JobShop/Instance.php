<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\JobShop;

use Dithermic\Core\Calculator\InputError;

/**
 * A classic job shop: every job goes over every machine once, in an order of its own; a machine does one operation at a
 * time. Operations are numbered job by job: operation k of job j is j·m + k.
 */
final readonly class Instance
{
    private const MOST = 2500;

    /**
     * @param  list<int>  $machine  of each operation
     * @param  list<int>  $minutes  of each operation
     */
    public function __construct(public int $jobs, public int $machines, public array $machine, public array $minutes)
    {
    }

    /**
     * The standard text format: a line with the number of jobs and of machines, then a line for each job with machine
     * and minutes by turns, in the order of its operations. Lines before that which are not numbers are read over.
     *
     * @throws InputError naming the line
     */
    public static function parse(string $text): self
    {
        $rows = [];
        foreach (explode("\n", $text) as $number => $line) {
            $words = preg_split('/\s+/', trim($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            $whole = array_filter($words, static fn (string $word): bool => preg_match('/^\d{1,9}$/', $word) === 1);
            if ($words !== [] && count($whole) === count($words)) {
                $rows[] = [$number + 1, array_map(intval(...), $words)];
            }
        }
        [$at, $size] = array_shift($rows) ?? [1, []];
        if (count($size) !== 2 || $size[0] < 1 || $size[1] < 1 || $size[0] * $size[1] > self::MOST) {
            throw new InputError(
                "line {$at}",
                'must say how many jobs and machines there are, at most '.self::MOST.' operations',
            );
        }
        [$jobs, $machines] = $size;
        if (count($rows) < $jobs) {
            throw new InputError('file', "has {$jobs} jobs by its head and lines for ".count($rows));
        }
        $machine = $minutes = [];
        foreach (array_slice($rows, 0, $jobs) as [$at, $row]) {
            $over = [];
            for ($k = 0; $k < $machines; $k++) {
                $over[] = $machine[] = $row[2 * $k] ?? -1;
                $minutes[] = $row[2 * $k + 1] ?? -1;
            }
            sort($over);
            if ($over !== range(0, $machines - 1) || count($row) !== 2 * $machines) {
                throw new InputError("line {$at}", 'must name every machine from 0 once, each with its minutes');
            }
        }

        return new self($jobs, $machines, $machine, $minutes);
    }

    public function operations(): int
    {
        return $this->jobs * $this->machines;
    }

    /** Nobody is faster: the longest job, and the busiest machine with what must come before and after it. */
    public function bound(): int
    {
        $bound = 0;
        $load = $head = $tail = array_fill(0, $this->machines, 0);
        $head = $tail = array_fill(0, $this->machines, PHP_INT_MAX);
        for ($j = 0; $j < $this->jobs; $j++) {
            $row = array_slice($this->minutes, $j * $this->machines, $this->machines);
            $all = array_sum($row);
            $bound = max($bound, $all);
            $before = 0;
            foreach ($row as $k => $minutes) {
                $on = $this->machine[$j * $this->machines + $k];
                $load[$on] += $minutes;
                $head[$on] = min($head[$on], $before);
                $tail[$on] = min($tail[$on], $all - $before - $minutes);
                $before += $minutes;
            }
        }
        foreach ($load as $on => $minutes) {
            $bound = max($bound, $head[$on] + $minutes + $tail[$on]);
        }

        return $bound;
    }

    /**
     * Whether starts are a plan of it: jobs in their order, one operation at a time on a machine. Knows nothing of how
     * they were found.
     *
     * @param  list<int>  $starts  by operation
     */
    public function holds(array $starts): bool
    {
        $on = [];
        foreach ($starts as $i => $start) {
            if ($start < 0 || ($i % $this->machines > 0 && $start < $starts[$i - 1] + $this->minutes[$i - 1])) {
                return false;
            }
            $on[$this->machine[$i]][] = [$start, $start + $this->minutes[$i]];
        }
        foreach ($on as $spans) {
            sort($spans);
            foreach ($spans as $n => [$from]) {
                if ($n > 0 && $from < $spans[$n - 1][1]) {
                    return false;
                }
            }
        }

        return count($starts) === $this->operations();
    }

    /** @param  list<int>  $starts */
    public function makespan(array $starts): int
    {
        $end = 0;
        foreach ($starts as $i => $start) {
            $end = max($end, $start + $this->minutes[$i]);
        }

        return $end;
    }
}
