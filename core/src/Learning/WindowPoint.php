<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** How likely a good piece is at a pair of settings. */
final readonly class WindowPoint
{
    public function __construct(
        #[Field('of a good piece')] public float $probability,
        #[Field('10 % of it')] public float $low,
        #[Field('90 % of it')] public float $high,
    ) {
    }
}
