<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

/** One material pushing the one before it out of the barrel, at a temperature that suits both. */
final readonly class PurgeLeg
{
    public function __construct(
        public string $with,
        public float $set_c,
        /** the usual windows do not meet: one of them is left, under its ceiling */
        public bool $widened,
        public float $density_g_cm3,
    ) {
    }
}
