<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * The order of jobs with the least changeover: an open travelling-salesman path from the present state. Exact up to
 * twelve jobs by dynamic programming over subsets (Held & Karp 1962); beyond, best insertion improved by 2-opt and
 * or-opt until nothing helps. Ties go to the order given.
 */
#[Calc('changeover.sequence', 'the order of jobs that costs the least changeover')]
final readonly class Sequence
{
    private const EXACT = 12;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(SequenceInput $in): SequenceResult
    {
        $model = new PurgeModel($this->polymers);
        $model->polymer($in->start->polymer, 'start.polymer');
        foreach ($in->jobs as $i => $job) {
            $model->polymer($job->polymer, "jobs.{$i}.polymer");
        }
        $legs = $this->legs($in, $model);
        // Legs are legal both ways or neither, so what the start cannot reach, no other job that it can reach does.
        $possible = array_values(array_filter(
            range(1, count($in->jobs)),
            static fn (int $b): bool => $legs[0][$b] !== null,
        ));
        $impossible = array_values(array_diff(range(1, count($in->jobs)), $possible));
        $order = $this->order($legs, $possible);
        $chosen = [];
        $at = 0;
        $total = 0.0;
        foreach ($order as $next) {
            $leg = $legs[$at][$next];
            assert($leg !== null);
            $chosen[] = $leg;
            $total += $leg->minutes;
            $at = $next;
        }
        $matrix = [];
        foreach ($legs as $a => $row) {
            $matrix[] = array_map(static fn (int $b): ?float => $a === $b ? 0.0 : $row[$b]?->minutes, array_keys($row));
        }
        $id = static fn (int $job): string => $in->jobs[$job - 1]->id;
        $result = (new SequenceResult(array_map($id, $order), $total, $matrix, $chosen, array_map($id, $impossible)))
            ->explain(
                $order === []
                    ? 'None of these jobs can follow what is in the barrel.'
                    : sprintf('%.0f min of changeover in this order.', $total),
            );
        foreach ($impossible as $job) {
            $polymer = $in->jobs[$job - 1]->polymer;
            $result->warn(
                "{$id($job)}: no way from {$in->start->polymer} to {$polymer} in a hot barrel. Its place in the order is none.",
            );
        }

        return $result;
    }

    /** @return array<int, array<int, ?Leg>> from (0 is the start) and to, jobs from 1; null where there is no way */
    private function legs(SequenceInput $in, PurgeModel $model): array
    {
        $legs = [];
        $routes = [];
        foreach ([$in->start, ...$in->jobs] as $a => $from) {
            foreach ($in->jobs as $b => $to) {
                $pair = "{$from->polymer}|{$to->polymer}";
                $routes[$pair] ??= [$model->route($from->polymer, $to->polymer)];
                $route = $routes[$pair][0];
                $legs[$a][$b + 1] = $route === null ? null
                    : self::leg(
                        $in,
                        $model,
                        $from,
                        $to,
                        $a === 0 ? 'start' : $in->jobs[$a - 1]->id,
                        count($route->legs),
                    );
            }
        }

        return $legs;
    }

    /**
     * @param  array<int, array<int, ?Leg>>  $legs
     * @param  list<int>  $jobs
     * @return list<int>
     */
    private function order(array $legs, array $jobs): array
    {
        $n = count($jobs);
        $cost = [];
        foreach ([0, ...$jobs] as $a => $from) {
            foreach ($jobs as $b => $to) {
                $cost[$a][$b + 1] = $legs[$from][$to]->minutes ?? INF;
            }
        }
        $order = $n <= self::EXACT ? self::exact($cost, $n) : self::improved($cost, $n);

        return array_map(static fn (int $i): int => $jobs[$i - 1], $order);
    }

    private static function leg(
        SequenceInput $in,
        PurgeModel $model,
        Job|StartState $a,
        Job $b,
        string $from,
        int $legs,
    ): Leg {
        $volume = static fn (float $residual): float => PurgeModel::volume(
            $in->barrel_volume_cm3,
            $in->mixing,
            $residual,
        );
        $stop = $a->polymer === $b->polymer ? null : $model->danger($a->polymer, $b->polymer);
        $left = PurgeModel::residual($a->polymer === $b->polymer, $b->lightness - $a->lightness);
        $last = $left === null ? 0.0 : $volume($left);
        $purge = (($legs - 1) * $volume(PurgeModel::RESIDUAL_PCT) + $last) / $in->throughput_cm3_min;
        $delta = $b->set_c - $a->set_c;
        $temperature = abs($delta) / ($delta > 0 ? $in->heat_k_min : $in->cool_k_min);
        $mould = $b->mould !== $a->mould ? $in->mould_min : 0.0;

        return new Leg($from, $b->id, max($purge + $temperature, $mould), $purge, $temperature, $mould, $stop);
    }

    /**
     * @param  array<int, array<int, float>>  $cost
     * @return list<int>
     */
    private static function exact(array $cost, int $n): array
    {
        $full = (1 << $n) - 1;
        // best[set][last]: the rest of the way from `last` when `set` is done; filled from the whole set down.
        $best = [];
        for ($set = $full; $set > 0; $set--) {
            for ($last = 1; $last <= $n; $last++) {
                if (! ($set & (1 << ($last - 1)))) {
                    continue;
                }
                $least = $set === $full ? 0.0 : INF;
                for ($next = 1; $next <= $n && $set !== $full; $next++) {
                    if (! ($set & (1 << ($next - 1)))) {
                        $least = min($least, $cost[$last][$next] + $best[$set | (1 << ($next - 1))][$next]);
                    }
                }
                $best[$set][$last] = $least;
            }
        }
        // Walking forward and taking the first that reaches the optimum keeps ties in the order given.
        $order = [];
        $set = 0;
        $at = 0;
        while (count($order) < $n) {
            $least = INF;
            $pick = 0;
            for ($next = 1; $next <= $n; $next++) {
                $bit = 1 << ($next - 1);
                if (! ($set & $bit) && $cost[$at][$next] + $best[$set | $bit][$next] < $least - 1e-9) {
                    $least = $cost[$at][$next] + $best[$set | $bit][$next];
                    $pick = $next;
                }
            }
            $order[] = $at = $pick;
            $set |= 1 << ($pick - 1);
        }

        return $order;
    }

    /**
     * @param  array<int, array<int, float>>  $cost
     * @return list<int>
     */
    private static function improved(array $cost, int $n): array
    {
        $total = static function (array $order) use ($cost): float {
            $sum = 0.0;
            $at = 0;
            foreach ($order as $next) {
                $sum += $cost[$at][$next];
                $at = $next;
            }

            return $sum;
        };
        $order = [];
        for ($job = 1; $job <= $n; $job++) {
            $best = [$job, ...$order];
            for ($place = 1; $place <= count($order); $place++) {
                $try = $order;
                array_splice($try, $place, 0, [$job]);
                $best = $total($try) < $total($best) - 1e-9 ? $try : $best;
            }
            $order = $best;
        }
        do {
            $before = $total($order);
            for ($i = 0; $i < $n - 1; $i++) {
                for ($j = $i + 1; $j < $n; $j++) {
                    $reversed = [
                        ...array_slice($order, 0, $i),
                        ...array_reverse(array_slice($order, $i, $j - $i + 1)),
                        ...array_slice($order, $j + 1),
                    ];
                    $moved = $order;
                    array_splice($moved, $j, 0, array_splice($moved, $i, 1));
                    $back = $order;
                    array_splice($back, $i, 0, array_splice($back, $j, 1));
                    foreach ([$reversed, $moved, $back] as $try) {
                        $order = $total($try) < $total($order) - 1e-9 ? $try : $order;
                    }
                }
            }
        } while ($total($order) < $before - 1e-9);

        return array_values($order);
    }
}
