<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class VacuumCoolResult extends Result
{
    /**
     * @param  list<CooledWall>  $walls
     */
    public function __construct(
        #[Field('', '', of: CooledWall::class)] public readonly array $walls,
        #[Field('the slowest', 's')] public readonly float $release_s,
    ) {
    }
}
