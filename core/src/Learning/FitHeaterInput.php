<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

final readonly class FitHeaterInput
{
    /** @param  list<TimedSheet>  $sheets */
    public function __construct(
        #[Field('sheets that were timed', of: TimedSheet::class, atLeast: 1, atMost: 20)] public array $sheets,
        #[Field(
            'emissivity times view, for it cannot be told from the temperature by times alone',
            '',
            above: 0,
            max: 1,
        )]
        public float $exchange = 0.7,
    ) {
    }
}
