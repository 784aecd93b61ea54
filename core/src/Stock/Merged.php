<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Safety\DryState;

/** What several lots become in one container, and what is lost by it. */
final readonly class Merged
{
    /**
     * @param  int  $weakest  index of the holding whose source is trusted least: the merged lot is trusted as that one
     * @param  list<string>  $changes  what is no longer as it was, in words
     */
    public function __construct(
        public float $mass_g,
        public string $polymer,
        public string $form,
        public string $colour,
        public string $swatch,
        public int $generation,
        public DryState $dry,
        public int $weakest,
        public array $changes,
    ) {
    }
}
