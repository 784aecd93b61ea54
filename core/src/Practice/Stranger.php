<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Random\Randomizer;

/**
 * Things in a tub that are no material for heat: thermosets, filled and flame-retarded mouldings, vinyl hard and soft. What
 * is seen of each was written down kind by kind, from how such things are made, and not taken from identification.json, so
 * that the sorting is judged by something that it does not know.
 */
final readonly class Stranger
{
    /** a dip that goes wrong altogether: bubbles, grease, a hole */
    private const DIP_FAILS = 0.08;

    private const HOVERS_WITHIN = 0.006;

    /**
     * @param  array<string, array<string, float>>  $seen  chances of each result, by test
     */
    private function __construct(
        public string $truth,
        public float $weight,
        public float $lightest_g_cm3,
        public float $heaviest_g_cm3,
        private array $seen,
    ) {
    }

    /** @return non-empty-list<self> */
    public static function kinds(): array
    {
        $hard = ['feel' => ['hard, slick' => 0.7, 'hard, glassy' => 0.3], 'sound' => ['click' => 0.7, 'tinny' => 0.2, 'dull' => 0.1], 'bend' => ['stiff' => 1.0]];
        $soft = ['feel' => ['rubbery' => 0.8, 'hard, slick' => 0.1, 'waxy, marks' => 0.1], 'sound' => ['silent' => 0.8, 'dull' => 0.2], 'bend' => ['soft' => 0.9, 'some give' => 0.1]];
        $bare = ['resin_mark' => ['none' => 0.95, '7' => 0.05], 'bottle_bottom' => ['neither' => 1.0], 'clarity' => ['opaque' => 1.0]];

        return [
            new self('OTHER', 0.14, 1.45, 1.60, $hard + $bare + ['crease' => ['cracks' => 1.0], 'item_kind' => ['gear, clip or bushing' => 0.3, 'other' => 0.5, 'housing or toy' => 0.2], 'freezer' => ['stiff' => 1.0], 'shave' => ['crumbles' => 0.85, 'curls' => 0.15]]),
            new self('OTHER', 0.10, 1.35, 1.45, $hard + $bare + ['crease' => ['cracks' => 1.0], 'item_kind' => ['housing or toy' => 0.7, 'other' => 0.3], 'freezer' => ['stiff' => 1.0], 'shave' => ['crumbles' => 0.9, 'curls' => 0.1]]),
            new self('OTHER', 0.08, 1.30, 1.50, $hard + $bare + ['crease' => ['cracks' => 0.9, 'whitens' => 0.1], 'item_kind' => ['sheet offcut' => 0.8, 'other' => 0.2], 'freezer' => ['stiff' => 1.0], 'shave' => ['crumbles' => 0.6, 'curls' => 0.4]]),
            new self('OTHER', 0.12, 1.02, 1.25, ['resin_mark' => ['none' => 0.5, '5' => 0.35, '7' => 0.15], 'clarity' => ['opaque' => 1.0], 'bottle_bottom' => ['neither' => 1.0], 'crease' => ['whitens' => 0.6, 'hinges' => 0.2, 'cracks' => 0.2], 'feel' => ['waxy, hard' => 0.5, 'hard, slick' => 0.5], 'sound' => ['dull' => 0.7, 'click' => 0.3], 'bend' => ['stiff' => 0.6, 'some give' => 0.4], 'item_kind' => ['housing or toy' => 0.6, 'tub, tray or pot' => 0.3, 'other' => 0.1], 'freezer' => ['stiff' => 1.0], 'shave' => ['curls' => 0.7, 'crumbles' => 0.3]]),
            new self('OTHER', 0.10, 1.30, 1.45, $hard + $bare + ['crease' => ['cracks' => 0.8, 'whitens' => 0.2], 'item_kind' => ['gear, clip or bushing' => 0.6, 'housing or toy' => 0.3, 'other' => 0.1], 'freezer' => ['stiff' => 1.0], 'shave' => ['curls' => 0.5, 'crumbles' => 0.5]]),
            new self('OTHER', 0.10, 1.12, 1.25, $hard + ['resin_mark' => ['none' => 0.6, '7' => 0.4], 'clarity' => ['opaque' => 1.0], 'bottle_bottom' => ['neither' => 1.0], 'crease' => ['whitens' => 0.7, 'cracks' => 0.3], 'item_kind' => ['housing or toy' => 0.9, 'other' => 0.1], 'freezer' => ['stiff' => 1.0], 'shave' => ['curls' => 0.85, 'crumbles' => 0.15]]),
            new self('PVC-P', 0.14, 1.18, 1.35, $soft + ['resin_mark' => ['none' => 1.0], 'clarity' => ['opaque' => 0.4, 'glass clear' => 0.4, 'hazy or milky' => 0.2], 'bottle_bottom' => ['neither' => 1.0], 'crease' => ['springs back' => 0.85, 'hinges' => 0.15], 'item_kind' => ['pipe, duct or window profile' => 0.7, 'other' => 0.3], 'freezer' => ['stiff' => 0.85, 'still soft' => 0.15], 'shave' => ['curls' => 1.0]]),
            new self('PVC-P', 0.08, 1.20, 1.45, $soft + $bare + ['crease' => ['springs back' => 0.9, 'hinges' => 0.1], 'item_kind' => ['soft grip, sole or mat' => 0.6, 'sheet offcut' => 0.3, 'film or bag' => 0.1], 'freezer' => ['stiff' => 0.8, 'still soft' => 0.2], 'shave' => ['curls' => 1.0]]),
            new self('PVC-U', 0.05, 1.30, 1.38, ['resin_mark' => ['3' => 0.4, 'none' => 0.4, '1' => 0.2], 'clarity' => ['glass clear' => 0.9, 'hazy or milky' => 0.1], 'bottle_bottom' => ['a line' => 0.9, 'neither' => 0.1], 'crease' => ['whitens' => 0.8, 'stays clear' => 0.2], 'feel' => ['hard, slick' => 0.8, 'hard, glassy' => 0.2], 'sound' => ['dull' => 0.5, 'click' => 0.5], 'bend' => ['some give' => 0.8, 'stiff' => 0.2], 'item_kind' => ['clear drink bottle' => 0.5, 'milk or detergent bottle' => 0.5], 'freezer' => ['stiff' => 1.0], 'shave' => ['curls' => 0.9, 'crumbles' => 0.1]]),
            new self('PVC-U', 0.05, 1.30, 1.38, ['resin_mark' => ['none' => 0.7, '3' => 0.15, '1' => 0.15], 'clarity' => ['glass clear' => 0.95, 'hazy or milky' => 0.05], 'bottle_bottom' => ['neither' => 1.0], 'crease' => ['whitens' => 0.85, 'stays clear' => 0.15], 'feel' => ['hard, slick' => 0.8, 'hard, glassy' => 0.2], 'sound' => ['tinny' => 0.5, 'click' => 0.5], 'bend' => ['some give' => 0.8, 'stiff' => 0.2], 'item_kind' => ['tub, tray or pot' => 0.6, 'sheet offcut' => 0.4], 'freezer' => ['stiff' => 1.0], 'shave' => ['curls' => 0.9, 'crumbles' => 0.1]]),
            new self('PVC-U', 0.08, 1.38, 1.55, ['resin_mark' => ['none' => 0.9, '3' => 0.1], 'bend' => ['stiff' => 0.9, 'some give' => 0.1]] + $hard + $bare + ['crease' => ['whitens' => 0.7, 'cracks' => 0.3], 'item_kind' => ['pipe, duct or window profile' => 0.8, 'sheet offcut' => 0.2], 'freezer' => ['stiff' => 1.0], 'shave' => ['curls' => 0.8, 'crumbles' => 0.2]]),
        ];
    }

    /** @return array<string, float> chances of each result of a test that does not float it */
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
