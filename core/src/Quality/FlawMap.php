<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Calc;

/**
 * Whether flaws of one part after the other lie in one place, which points to the mould, or wander, which points to the
 * process.
 *
 * A place is a circle that flaws of at least three parts lie in, and more of them than chance brings: of n marks thrown
 * evenly over the area A, each lies in a circle of radius r round one of them with at most s = πr²/A. A part with m of
 * them has one there with p = 1 − (1 − s)^m, so that k or more of N parts do with the tail of Binomial(N − 1, p) from k
 * − 1; times the number of marks, as any may be the middle (Bonferroni). This is the test of Besag and Newell, J. R.
 * Statist. Soc. A 154 (1991) 143, with the circle given instead of the count. Two marks of one part in one place count
 * once. r is 6 % of the diagonal: as near as a finger hits on a drawing. What lies near a face has less area round it,
 * so that p is too large there and the test on the safe side.
 *
 * Valid for parts that are seen flat, at least THREE of them with a flaw; flaws that are drawn along a line (a weld, a
 * parting line) are several places to it.
 */
#[Calc('quality.flaw_map', 'whether flaws lie in one place on every part, or wander', size: 'marks')]
final class FlawMap
{
    /** of the diagonal */
    private const NEAR = 0.06;

    private const THREE = 3;

    /** by chance: less is none */
    private const SURE = 0.05;

    /** parts with a flaw that have none in common: fewer say nothing */
    private const WANDERS_OF = 6;

    /** of the parts with a flaw: a place that so many share is every part's */
    private const EVERY = 0.6;

    /** of a side, from its end */
    private const AT_AN_EDGE = 0.12;

    private const IN_THE_MIDDLE = 0.35;

    public function __invoke(FlawMapInput $in): FlawMapResult
    {
        $near = self::NEAR * hypot($in->length_mm, $in->width_mm);
        $share = min(1.0, M_PI * $near ** 2 / ($in->length_mm * $in->width_mm));
        $all = count(self::pieces($in->marks));
        $places = [];
        foreach (self::circles($in->marks, $near) as $here) {
            $chance = self::byChance(count(self::pieces($here)), count($in->marks), $all, $share);
            if ($chance < self::SURE) {
                [$x, $y] = [self::mean($here, 'x_mm'), self::mean($here, 'y_mm')];
                $places[] = new FlawPlace(
                    round($x, 1),
                    round($y, 1),
                    self::pieces($here),
                    $chance,
                    self::where($in, $x, $y),
                );
            }
        }
        usort(
            $places,
            static fn (FlawPlace $a, FlawPlace $b): int => [count($b->pieces), $a->pieces] <=> [count($a->pieces), $b->pieces],
        );
        $shared = count(array_unique(array_merge(
            [],
            ...array_map(static fn (FlawPlace $p): array => $p->pieces, $places),
        )));
        $repeat = match (true) {
            $places !== [] && count($places[0]->pieces) >= self::EVERY * $all => 'same place every part',
            $places === [] && $all >= self::WANDERS_OF => 'random',
            default => null,
        };

        return (new FlawMapResult(round($near, 1), $places, $all, $shared, $repeat, $places[0]->where ?? null))
            ->explain(self::says($places, $all, $repeat));
    }

    /**
     * The circle round a mark that most parts have a flaw in, then the one of what is left, while three parts meet in
     * one.
     *
     * @param  list<FlawMark>  $marks
     * @return list<list<FlawMark>>
     */
    private static function circles(array $marks, float $near): array
    {
        $round = self::neighbours($marks, $near);
        $parts = array_map(static fn (array $of): int => self::parts($marks, $of), $round);
        $circles = [];
        while ($parts !== [] && max($parts) >= self::THREE) {
            $middle = (int) array_search(max($parts), $parts, true);
            $here = array_values(array_filter($round[$middle], static fn (int $i): bool => isset($parts[$i])));
            $circles[] = array_map(static fn (int $i): FlawMark => $marks[$i], $here);
            $parts = array_diff_key($parts, array_flip($here));
            // Only who lies near what is gone has fewer round it now.
            foreach (array_unique(array_merge(...array_map(static fn (int $i): array => $round[$i], $here))) as $i) {
                if (isset($parts[$i])) {
                    $left = array_filter($round[$i], static fn (int $j): bool => isset($parts[$j]));
                    $parts[$i] = self::parts($marks, $left);
                }
            }
        }

        return $circles;
    }

    /**
     * @param  list<FlawMark>  $marks
     * @return list<list<int>> which marks lie in a circle round each, itself among them
     */
    private static function neighbours(array $marks, float $near): array
    {
        $cells = [];
        $cell = static fn (FlawMark $m): array => [(int) floor($m->x_mm / $near), (int) floor($m->y_mm / $near)];
        foreach ($marks as $i => $mark) {
            [$column, $row] = $cell($mark);
            $cells[$column][$row][] = $i;
        }
        $round = [];
        foreach ($marks as $mark) {
            [$column, $row] = $cell($mark);
            $here = [];
            foreach ([-1, 0, 1] as $right) {
                foreach ([-1, 0, 1] as $up) {
                    foreach ($cells[$column + $right][$row + $up] ?? [] as $j) {
                        if (hypot($marks[$j]->x_mm - $mark->x_mm, $marks[$j]->y_mm - $mark->y_mm) <= $near) {
                            $here[] = $j;
                        }
                    }
                }
            }
            sort($here);
            $round[] = $here;
        }

        return $round;
    }

    /**
     * How many parts some marks are of.
     *
     * @param  list<FlawMark>  $marks
     * @param  array<int, int>  $of
     */
    private static function parts(array $marks, array $of): int
    {
        $parts = [];
        foreach ($of as $i) {
            $parts[$marks[$i]->piece] = true;
        }

        return count($parts);
    }

    /** @param  list<FlawMark>  $marks */
    private static function mean(array $marks, string $axis): float
    {
        return array_sum(array_column($marks, $axis)) / count($marks);
    }

    /**
     * @param  array<int, FlawMark>  $marks
     * @return list<int>
     */
    private static function pieces(array $marks): array
    {
        $pieces = array_values(array_unique(array_column($marks, 'piece')));
        sort($pieces);

        return $pieces;
    }

    /**
     * At most, for k of n parts to meet round any mark, where parts have as many marks as these have.
     *
     * @param  float  $share  of the area that lies in a circle
     */
    private static function byChance(int $k, int $marks, int $n, float $share): float
    {
        $p = 1 - (1 - $share) ** ($marks / $n);
        if ($p >= 1.0) {
            return 1.0;
        }
        // In logarithms, term by term: the first of many is too small for a number.
        $term = self::logChoose($n - 1, $k - 1) + ($k - 1) * log($p) + ($n - $k) * log(1 - $p);
        $tail = 0.0;
        for ($i = $k - 1; $i < $n; $i++) {
            $tail += exp($term);
            $term += $i + 1 < $n ? log(($n - 1 - $i) / ($i + 1)) + log($p / (1 - $p)) : 0.0;
        }

        return min(1.0, $marks * $tail);
    }

    private static function logChoose(int $n, int $k): float
    {
        $sum = 0.0;
        for ($i = 1; $i <= min($k, $n - $k); $i++) {
            $sum += log(($n - $i + 1) / $i);
        }

        return $sum;
    }

    private static function where(FlawMapInput $in, float $x, float $y): ?string
    {
        $along = min($x, $in->length_mm - $x) / $in->length_mm;
        $across = min($y, $in->width_mm - $y) / $in->width_mm;

        return match (true) {
            $along <= self::AT_AN_EDGE && $across <= self::AT_AN_EDGE => 'corner',
            $along <= self::AT_AN_EDGE || $across <= self::AT_AN_EDGE => 'edge',
            $along >= self::IN_THE_MIDDLE && $across >= self::IN_THE_MIDDLE => 'centre',
            default => null,
        };
    }

    /** @param  list<FlawPlace>  $places */
    private static function says(array $places, int $all, ?string $repeat): string
    {
        if ($places === []) {
            return $repeat === 'random'
                ? "{$all} parts, and no place that they share: look at the process, its heat, its material, its timing."
                : ($all === 1 ? 'One part: mark the next ones too.' : "{$all} parts: too few to tell a place from chance.");
        }
        $most = count($places[0]->pieces);
        $where = $places[0]->where === null ? 'in one place' : "at one {$places[0]->where}";
        $others = count($places) - 1;

        return sprintf(
            '%d of %d parts have it %s%s: look at the mould there, what touches it, or how it fills.',
            $most,
            $all,
            str_replace('at one centre', 'in the centre', $where),
            $others === 0
                ? ''
                : sprintf(', and there %s more', $others === 1 ? 'is one place' : "are {$others} places"),
        );
    }
}
