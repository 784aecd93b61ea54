<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

/**
 * One layer of a stack: its stuff, its thickness as laid (m, pores included), cells, start (°C) and contact to the
 * next.
 */
final readonly class Layer
{
    public function __construct(
        public Substance $substance,
        public float $thickness,
        public int $cells,
        public float $initial,
        public ?float $contactNext = null,
    ) {
    }
}
