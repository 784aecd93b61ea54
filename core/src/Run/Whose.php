<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * Whose hands each call wants, so that everybody sees their own next action: who is at a piece or a run stays with it,
 * unless their hands are wanted elsewhere in those minutes and somebody else who is here has theirs free. Nobody is
 * asked to be in two places; what wants two people is put to two.
 */
final class Whose
{
    /** hands take at least so long, and the way there, min */
    private const LEAST_MIN = 1.0;

    /** nobody has come for so long: it is everybody's, s */
    private const NOBODY_CAME_S = 60.0;

    /** who logged nothing for so long may have gone, s */
    private const SEEN_S = 4 * 3600.0;

    /**
     * Who is here now, by name: who said so, and whose hands were in a log a while ago. What came last counts: who said
     * that they are gone, or not here yet, is here again with the next entry of theirs.
     *
     * @param  array<string, float>  $logged  when each last put hands to anything, s since 1970 UTC, by name
     * @param  array<string, array{from: float, to: float, at: float}>  $said  from when to when they are here, and when
     *                                                                         that was said, s, by name
     * @return list<string> in order
     */
    public static function here(array $logged, array $said, float $now): array
    {
        $here = array_filter($logged, static fn (float $at): bool => $at <= $now && $at > $now - self::SEEN_S);
        foreach ($said as $name => ['from' => $from, 'to' => $to, 'at' => $at]) {
            if ($from <= $now && $now < $to) {
                $here[$name] ??= $now;
            } elseif (($here[$name] ?? -INF) < max($at, $now < $from ? -INF : $to)) {
                unset($here[$name]);
            }
        }
        ksort($here);

        return array_map(strval(...), array_keys($here));
    }

    /**
     * From when on a call is everybody's, s since 1970 UTC; null for what may be done at any time: nobody waits there.
     *
     * @param  bool  $waits  a timer has run out then, or an entry falls due
     */
    public static function everyonesAt(float $at, bool $waits): ?float
    {
        return $waits ? $at + self::NOBODY_CAME_S : null;
    }

    /**
     * @param  list<array{at: float, minutes: float, people: int, by: ?string}>  $calls  in the order in which they are
     *                                                                                   answered (Hand::turn); at in s
     * @param  list<string>  $here  who is here, by name
     * @return list<list<string>> by call, who; none where nobody is known to be here
     */
    public static function of(array $calls, array $here, float $now): array
    {
        /** @var array<string, list<array{float, float}>> $busy */
        $busy = array_fill_keys($here, []);
        $whose = [];
        foreach ($calls as $call) {
            $from = max($call['at'], $now);
            $to = $from + 60 * max(self::LEAST_MIN, $call['minutes']);
            $turn = $here;
            usort($turn, static fn (string $a, string $b): int => [
                self::taken($busy[$a], $from, $to),
                $b === $call['by'],
                count($busy[$a]),
            ] <=> [
                self::taken($busy[$b], $from, $to),
                $a === $call['by'],
                count($busy[$b]),
            ]);
            $own = array_slice($turn, 0, max(1, $call['people']));
            foreach ($own as $name) {
                $busy[$name][] = [$from, $to];
            }
            $whose[] = $own;
        }

        return $whose;
    }

    /**
     * Minutes of a span in which somebody's hands are wanted elsewhere.
     *
     * @param  list<array{float, float}>  $spans
     */
    private static function taken(array $spans, float $from, float $to): float
    {
        $taken = 0.0;
        foreach ($spans as [$begins, $ends]) {
            $taken += max(0.0, min($to, $ends) - max($from, $begins));
        }

        return $taken / 60;
    }
}
