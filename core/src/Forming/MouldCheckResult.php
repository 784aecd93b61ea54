<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class MouldCheckResult extends Result
{
    /**
     * @param  list<Finding>  $findings
     */
    public function __construct(
        #[Field('one for each check whose inputs are given', '', of: Finding::class)] public readonly array $findings,
    ) {
    }
}
