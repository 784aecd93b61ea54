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
     * Minutes in which people wait between their first and their last hands, up to a moment: a night between two days is
     * nobody's waiting.
     *
     * @param  list<array{person: string, from: float, to: float}>  $hands
     */
    public static function idle(array $hands, float $until): float
    {
        $own = [];
        foreach ($hands as $hand) {
            if ($hand['from'] < $until) {
                $own[$hand['person']][] = [$hand['from'], min($until, $hand['to'])];
            }
        }
        $idle = 0.0;
        foreach ($own as $spans) {
            $idle += max(array_column($spans, 1)) - min(array_column($spans, 0));
            foreach ($spans as [$from, $to]) {
                $idle -= $to - $from;
            }
        }

        return max(0.0, $idle);
    }
}
