<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** What a station must be set up with; what nobody says does not matter. */
final readonly class SetUp
{
    public function __construct(
        public ?string $polymer = null,
        #[Field('of the colour, 0 black to 100 white', '', min: 0, max: 100)] public ?float $lightness = null,
        #[Field('', '°C', min: -50, max: 600)] public ?float $set_c = null,
        public ?string $mould = null,
    ) {
    }
}
