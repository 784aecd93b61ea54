<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Safety\DryState;
use Dithermic\Core\Safety\SourceState;

/** So much of one lot, as far as it matters when it is put together with others. */
final readonly class Holding
{
    public function __construct(
        public string $name,
        public float $mass_g,
        public string $polymer,
        public string $form,
        public string $colour,
        public string $swatch,
        public int $generation,
        public DryState $dry,
        public SourceState $source,
    ) {
    }
}
