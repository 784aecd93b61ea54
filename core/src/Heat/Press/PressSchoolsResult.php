<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PressSchoolsResult extends Result
{
    /** @param  list<RuleVerdict>  $rules */
    public function __construct(#[Field('in the order given', of: RuleVerdict::class)] public readonly array $rules)
    {
    }
}
