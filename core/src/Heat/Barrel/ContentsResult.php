<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ContentsResult extends Result
{
    /** @param  list<BarrelShot>  $shots */
    public function __construct(
        #[Field('shots and purgings, in order', of: BarrelShot::class)] public readonly array $shots,
        public readonly InBarrel $in_barrel,
    ) {
    }
}
