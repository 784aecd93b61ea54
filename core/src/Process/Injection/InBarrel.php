<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

/** What is in a barrel, or shall be. */
final readonly class InBarrel
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        #[Field('of its colour: 0 black, 1 white or natural; null where nobody said', '', min: 0, max: 1)]
        public ?float $lightness = null,
        #[Field('the middle of the polymer\'s window unless given', '°C', min: 0, max: 600)]
        public ?float $melt_c = null,
    ) {
    }
}
