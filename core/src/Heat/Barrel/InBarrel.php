<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;

final readonly class InBarrel
{
    public function __construct(
        #[Field('', 'g')] public float $mass_g,
        #[Field('of each lot, by mass', '', of: 'shares')] public object $shares,
        #[Field(
            'the oldest load that is at least a hundredth of it; null when it is empty',
            's',
        )]
        public ?float $oldest_s,
    ) {
    }
}
