<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Data\Record;
use Random\Randomizer;

/**
 * Things in a tub that are no material for heat: thermosets, filled and flame-retarded mouldings, vinyl hard and soft.
 * What is seen of each stands in data/tub.json, written down kind by kind and not taken from identification.json, so
 * that the sorting is judged by something that it does not know.
 */
final readonly class Stranger
{
    /** a dip that goes wrong altogether: bubbles, grease, a hole */
    private const DIP_FAILS = 0.08;

    private const HOVERS_WITHIN = 0.006;

    /** @param  array<string, array<array-key, float>>  $seen  chances of each result, by test */
    private function __construct(
        public string $truth,
        public float $weight,
        public float $lightest_g_cm3,
        public float $heaviest_g_cm3,
        private array $seen,
    ) {
    }

    /** @return list<self> */
    public static function kinds(): array
    {
        return array_map(static fn (Record $kind): self => new self(
            $kind->text('truth'),
            $kind->number('weight'),
            $kind->number('density_g_cm3.min'),
            $kind->number('density_g_cm3.max'),
            array_map(static fn (Record $chances): array => $chances->numbers(), $kind->eachBy('seen')),
        ), Record::file(__DIR__.'/../../data/tub.json')->each('strangers'));
    }

    /** @return array<array-key, float> chances of each result of a test that does not float it */
    public function seen(string $test): array
    {
        return $this->seen[$test];
    }

    public function dip(float $density, float $liquid, Randomizer $random): string
    {
        if ($random->getInt(0, 9999) < 10000 * self::DIP_FAILS) {
            return ['floats', 'hovers', 'sinks'][$random->getInt(0, 2)];
        }

        return abs($density - $liquid) < self::HOVERS_WITHIN ? 'hovers' : ($density < $liquid ? 'floats' : 'sinks');
    }
}
