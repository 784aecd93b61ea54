<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** When somebody's hands are wanted. */
final readonly class Hand
{
    public function __construct(
        public string $person,
        #[Field('', 'min')] public float $from,
        #[Field('', 'min')] public float $to,
        public string $what,
        public string $station,
    ) {
    }

    /**
     * Minutes in which people wait between their first and their last hands, up to a moment: a night between two days
     * is nobody's waiting, nor is a break where hours are given.
     *
     * @param  list<array{person: string, from: float, to: float}>  $hands
     * @param  array<string, list<Span>>  $hours  by person, where they have any
     */
    public static function idle(array $hands, float $until, array $hours = []): float
    {
        $own = [];
        foreach ($hands as $hand) {
            if ($hand['from'] < $until) {
                $own[$hand['person']][] = [$hand['from'], min($until, $hand['to'])];
            }
        }
        $idle = 0.0;
        foreach ($own as $person => $spans) {
            [$first, $last] = [min(array_column($spans, 0)), max(array_column($spans, 1))];
            $idle += $last - $first;
            $here = $hours[$person] ?? [];
            for ($i = 1; $i < count($here); $i++) {
                $idle -= max(0.0, min($last, $here[$i]->from) - max($first, $here[$i - 1]->to));
            }
            foreach ($spans as [$from, $to]) {
                $idle -= $to - $from;
            }
        }

        return max(0.0, $idle);
    }
}
