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
