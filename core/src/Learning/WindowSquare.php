<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** A square of the picture of a window. */
final readonly class WindowSquare
{
    public function __construct(
        #[Field('its middle')] public float $x,
        #[Field('its middle')] public float $y,
        #[Field('of a good piece')] public float $probability,
    ) {
    }
}
