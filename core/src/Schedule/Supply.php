<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;

/** What the shop's supply gives. */
final readonly class Supply
{
    public function __construct(
        #[Field('', '', min: 1, max: 3)] public int $phases,
        #[Field('on each of them', 'A', above: 0, max: 100000)] public float $amps,
    ) {
    }
}
